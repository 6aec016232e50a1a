import type { Metadata } from "next";
import { may } from "@/server/permissions";
import { whoIsAsking } from "@/server/who";
import { FilesSheet } from "@/ui/bars/FilesSheet";

export const metadata: Metadata = { title: "Files in and out" };

export default async function FilesPage() {
  const who = await whoIsAsking();
  return <FilesSheet mayExport={may(who, "hall.export")} mayImport={may(who, "hall.import")} />;
}
