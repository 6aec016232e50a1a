import type { Metadata } from "next";
import { cookies } from "next/headers";
import { peopleToBecome, whoIsAsking } from "@/server/who";
import { SettingsSheet } from "@/ui/settings/SettingsSheet";
import { becomeAction, themeAction } from "./actions";

export const metadata: Metadata = { title: "Settings" };

export default async function SettingsPage() {
  const [who, halls, jar] = [await whoIsAsking(), await peopleToBecome(), await cookies()];
  return (
    <SettingsSheet
      who={who}
      halls={halls}
      theme={jar.get("theme")?.value ?? ""}
      becomeAction={becomeAction}
      themeAction={themeAction}
    />
  );
}
