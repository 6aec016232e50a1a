import type { Metadata } from "next";
import { cookies } from "next/headers";
import { may } from "@/server/permissions";
import { measuringRules } from "@/server/rules";
import { peopleToBecome, whoIsAsking } from "@/server/who";
import { SettingsSheet } from "@/ui/settings/SettingsSheet";
import { RulesForm } from "@/ui/settings/RulesForm";
import { becomeAction, rulesAction, themeAction } from "./actions";

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
      rules={<RulesForm {...await measuringRules(who)} mayEdit={may(who, "rule.edit")} action={rulesAction} />}
    />
  );
}
