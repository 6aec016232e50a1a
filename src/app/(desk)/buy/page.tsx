import type { Metadata } from "next";
import { Suspense } from "react";
import { inParts } from "@/app/inParts";
import { moneyText, readMoney } from "@/core/buying/money";
import { type Context, may, requestContext } from "@/server/access";
import { barCosts, type BuyingChoice, buyingChoice, buyingRules } from "@/server/buying";
import { listOffers } from "@/server/offers";
import { ImportOffersForm, OneForm, TextField } from "@/ui/buy/BuyForms";
import { BuyNav } from "@/ui/buy/BuyNav";
import { BesideChoiceSheet } from "@/ui/buy/BesideChoice";
import { ChoiceSheet } from "@/ui/buy/ChoiceSheet";
import { OfferList } from "@/ui/buy/OfferList";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { href, readSearch, type SearchParams } from "@/ui/kit/search";
import { Waiting } from "@/ui/kit/Waiting";
import { buyingRulesAction, importOffersAction } from "./actions";

export const metadata: Metadata = { title: "Buy" };

const MAX_SOLD = 10;
const MAX_SELLABLE = 8;
/** What an answer takes at most, and what stands beside it usually. */
const CHOICE_MS = 3_000;
const BESIDE_MS = 5_000;

async function BuyPage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  if (!may(context, "offer.edit")) return <p className="sheet p-6">The manager decides what is bought.</p>;
  const { currency } = context.actor;
  const [items, rules] = [await listOffers(context), await buyingRules(context)];
  const read = search.budget ? readMoney(search.budget, currency) : null;
  const budgetMinor = read?.ok && read.money.currency === currency ? read.money.minor : (rules.budgetMinor ?? 0);
  const sold = (search.sell ?? "").split(",").filter(Boolean).slice(0, MAX_SOLD);
  const budgetText = moneyText({ minor: budgetMinor, currency }).replace(/\.00$/, "");
  const asked = { budget: search.budget, sell: search.sell };
  const isOpen = items.some(({ row }) => row.state === "quoted" || row.state === "idea");
  return (
    <>
      <PageHead title="Buy" about="which bar next, and why">
        <BuyNav here="/buy" />
      </PageHead>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
        {search.budget && !(read?.ok && read.money.currency === currency) && (
          <p role="alert" className="text-error text-sm">
            Budget: {read?.ok ? `in ${currency}, the gym’s currency` : read?.message}
          </p>
        )}
        {isOpen &&
          (search.weigh === "no" ? (
            <section className="sheet flex flex-wrap items-center gap-3 px-4 py-3">
              <p>Stopped before there was an answer.</p>
              <Link href={href("/buy", asked)} className="btn btn-outline">
                Weigh offers
              </Link>
            </section>
          ) : (
            <Suspense
              key={`${budgetMinor} ${sold.join()}`}
              fallback={<Weighing count={items.length} stop={href("/buy", { ...asked, weigh: "no" })} />}
            >
              <Choice context={context} {...{ budgetMinor, budgetText, sold }} />
            </Suspense>
          ))}
        {budgetMinor !== rules.budgetMinor && (
          <OneForm
            fields={{ budget: budgetText, version: rules.version }}
            word={`Save ${budgetText} as the budget`}
            action={buyingRulesAction}
          />
        )}
        {items.length === 0 && (
          <p className="sheet p-6">
            No offers yet. Add one that you were quoted, or paste a seller’s list: this page then says which of them
            would help whom.
          </p>
        )}
        <p className="flex flex-wrap gap-3">
          <Link href="/buy/new" className="btn btn-neutral">
            Add offer
          </Link>
        </p>
        <details className="sheet px-4">
          <summary className="min-h-11 cursor-pointer py-3 text-sm font-semibold">Import a seller’s list</summary>
          <div className="pb-3">
            <ImportOffersForm action={importOffersAction} />
          </div>
        </details>
        <OfferList items={items} today={context.clock.today} />
        {rules.budgetMinor === null && (
          <section className="sheet px-4 py-3">
            <OneForm fields={{ version: rules.version }} word="Save budget" action={buyingRulesAction}>
              <TextField name="budget" label="Budget" />
            </OneForm>
          </section>
        )}
      </div>
    </>
  );
}

/** The answer takes a second or two: the list stands there meanwhile, and going elsewhere ends the work. */
async function Choice({
  context,
  budgetMinor,
  budgetText,
  sold,
}: {
  context: Context;
  budgetMinor: number;
  budgetText: string;
  sold: readonly string[];
}) {
  const [result, costs] = [await buyingChoice(context, { budgetMinor, sell: sold }), await barCosts(context)];
  if (!result.ok) return <p className="sheet p-6">{result.message}</p>;
  const sellable = costs
    .filter(({ priceMinor, isUsable }) => priceMinor !== null && isUsable)
    .map(({ tag, name, resaleMinor, missed }) => ({ tag, name, minor: resaleMinor, misses: missed.length }))
    .sort((a, b) => a.misses - b.misses || b.minor - a.minor)
    .slice(0, MAX_SELLABLE);
  const { choice } = result;
  const { currency } = context.actor;
  return (
    <ChoiceSheet {...{ choice, currency, budgetText, sellable, sold }}>
      <Suspense fallback={<Waiting word="Weighing what else it could be …" ms={BESIDE_MS} className="min-h-60" />}>
        <Beside choice={choice} currency={currency} />
      </Suspense>
    </ChoiceSheet>
  );
}

async function Beside({ choice, currency }: { choice: BuyingChoice; currency: string }) {
  return <BesideChoiceSheet beside={await choice.beside()} {...{ choice, currency }} />;
}

/** Keeps the room of the answer. Stopping is a whole page of its own: what is being worked out for this one ends. */
function Weighing({ count, stop }: { count: number; stop: string }) {
  return (
    <section className="sheet border-l-primary min-h-[28rem] border-l-4 px-4 py-3" aria-busy="true">
      <Waiting word={`Weighing ${count} ${count === 1 ? "offer" : "offers"} …`} ms={CHOICE_MS} />
      <a href={stop} className="btn btn-outline mt-2">
        Cancel
      </a>
    </section>
  );
}

export default inParts(BuyPage);
