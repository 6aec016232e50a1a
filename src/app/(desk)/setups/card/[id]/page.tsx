import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { cardPage } from "@/server/setups";
import { requestContext } from "@/server/access";
import { qrPath } from "@/papers/kit/qrPath";
import { SetupCardSheet } from "@/ui/setups/SetupCardSheet";

export const metadata: Metadata = { title: "Setup card" };

export default async function CardPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const card = await cardPage(context, id);
  if (!card) notFound();
  return <SetupCardSheet page={card} qr={qrPath(card.address)} />;
}
