import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { cardPage } from "@/server/setups";
import { besideSetting, usageCardOf } from "@/core/use/useCards";
import { usageRules } from "@/server/rules";
import { requestContext } from "@/server/access";
import { qrPath } from "@/papers/kit/qrPath";
import { UseCardLines } from "@/ui/wall/UseCardLines";
import { SetupCardSheet } from "@/ui/setups/SetupCardSheet";

export const metadata: Metadata = { title: "Setup card" };

export default async function CardPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const card = await cardPage(context, id);
  if (!card) notFound();
  const { family } = card.set.bar;
  const rules = await usageRules(context, [family]);
  return (
    <SetupCardSheet
      page={card}
      qr={qrPath(card.address)}
      use={<UseCardLines bar={card.set.bar} lines={besideSetting(usageCardOf(family, rules(family).own))} />}
    />
  );
}
