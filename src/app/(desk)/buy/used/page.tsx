import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { LOOK_STEPS } from "@/core/buying/usedBar";
import { may, requestContext } from "@/server/access";
import { buyingRules } from "@/server/buying";
import { listOffers, OPEN_STATES } from "@/server/offers";
import { OneForm, TextField } from "@/ui/buy/BuyForms";
import { BuyNav } from "@/ui/buy/BuyNav";
import { UsedLook } from "@/ui/buy/UsedLook";
import { PageHead } from "@/ui/kit/PageHead";
import { buyingRulesAction } from "../actions";

export const metadata: Metadata = { title: "Used bar" };

async function UsedPage() {
  const context = await requestContext();
  if (!may(context, "offer.edit")) return <p className="sheet p-6">The manager agrees prices.</p>;
  const [rules, offers] = [await buyingRules(context), await listOffers(context, OPEN_STATES)];
  const news = offers.flatMap(({ row, offer, deliveredMinor }) =>
    offer.stock === "new" && deliveredMinor !== null ? [{ id: row.id, name: offer.name, minor: deliveredMinor }] : [],
  );
  return (
    <>
      <PageHead title="Used bar" about="ten minutes before the price is agreed">
        <BuyNav here="/buy/used" />
      </PageHead>
      <UsedLook currency={context.actor.currency} news={news} house={rules.deductions} />
      <details className="sheet no-print mx-auto mt-3 max-w-xl px-4">
        <summary className="min-h-11 cursor-pointer py-3 text-sm font-semibold">What findings take off, in %</summary>
        <div className="pb-3">
          <OneForm fields={{ version: rules.version }} word="Save" action={buyingRulesAction}>
            {LOOK_STEPS.flatMap(({ key, answers }) =>
              answers
                .filter(({ offPct, ends }) => offPct > 0 && !ends)
                .map((answer) => (
                  <TextField
                    key={`${key}.${answer.key}`}
                    name={`${key}.${answer.key}`}
                    label={answer.text}
                    start={String(rules.deductions[`${key}.${answer.key}`] ?? answer.offPct)}
                  />
                )),
            )}
          </OneForm>
        </div>
      </details>
    </>
  );
}

export default inParts(UsedPage);
