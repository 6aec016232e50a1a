import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { isHallDay } from "@/core/units/hallDay";
import { requestContext } from "@/server/access";
import { costLines, offerPage, termLines } from "@/server/buying";
import { feelOfSeller } from "@/server/feel";
import { FeelWords } from "@/ui/feel/FeelWords";
import { BuyNav } from "@/ui/buy/BuyNav";
import { OfferSheet } from "@/ui/buy/OfferSheet";
import { dayText } from "@/core/units/dates";
import { PageHead } from "@/ui/kit/PageHead";
import { decideAction, resolveClaimAction, watchBatchAction } from "../actions";

export const metadata: Metadata = { title: "Offer" };

export default async function OfferPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const page = await offerPage(context, id);
  if (!page) notFound();
  const { offer, code, deliveredMinor, row } = page.item;
  const said = await feelOfSeller(context, { family: row.family, supplier: offer.seller });
  return (
    <>
      <PageHead title={`${code} ${offer.name}`} about={offer.seller ? `from ${offer.seller}` : "no seller said"}>
        <BuyNav />
      </PageHead>
      <OfferSheet
        page={page}
        feel={
          said && (
            <FeelWords
              feel={said.feel}
              of={`What people here say of ${said.bars} ${said.bars === 1 ? "bar" : "bars"} ${said.ofSeller ? "of this kind from this seller" : "of this kind"}`}
            />
          )
        }
        lines={[...costLines(offer, deliveredMinor, row.currency), ...termLines(offer)].map(
          ([name, text]): [string, string] => [name, isHallDay(text) ? dayText(text, context.clock.today) : text],
        )}
        today={context.clock.today}
        actions={{ decide: decideAction, watch: watchBatchAction, resolve: resolveClaimAction }}
      />
    </>
  );
}
