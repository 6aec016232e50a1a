import type { Metadata } from "next";
import { may, requestContext } from "@/server/access";
import { FilesSheet } from "@/ui/bars/FilesSheet";

export const metadata: Metadata = { title: "Files in and out" };

export default async function FilesPage() {
  const context = await requestContext();
  return <FilesSheet mayExport={may(context, "hall.export")} mayImport={may(context, "hall.import")} />;
}
