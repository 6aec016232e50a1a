import type { Metadata } from "next";
import { requestContext } from "@/server/access";
import { HelpSheet } from "@/ui/help/HelpSheet";

export const metadata: Metadata = { title: "Help" };

export default async function HelpPage() {
  const { actor } = await requestContext();
  return <HelpSheet role={actor.role} />;
}
