import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { requestContext } from "@/server/access";
import { HelpSheet } from "@/ui/help/HelpSheet";

export const metadata: Metadata = { title: "Help" };

async function HelpPage() {
  const { actor } = await requestContext();
  return <HelpSheet role={actor.role} />;
}

export default inParts(HelpPage);
