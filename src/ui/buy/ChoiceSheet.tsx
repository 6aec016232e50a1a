import { peopleText } from "@/core/buying/offerGain";
import { roundMoneyText } from "@/core/buying/money";
import { listed } from "@/core/units/format";
import type { ReactNode } from "react";
import type { BesideChoice, BuyingChoice, ShownChoice } from "@/server/buying";
import { AskForm } from "../kit/AskForm";
import Link from "../kit/Link";
import { BudgetSteps, type ShownStep } from "./BudgetSteps";
import { OfferDrawing } from "./OfferDrawing";
import { SpareText } from "./SpareText";
import { verdictWords } from "./verdictWords";

interface Props {
  choice: BuyingChoice;
  currency: string;
  budgetText: string;
  /** Bars that could be sold for it, with what they would bring. */
  sellable: readonly { tag: string; name: string; minor: number; misses: number }[];
  sold: readonly string[];
  /** What stands beside the answer, and comes after it. */
  children: ReactNode;
}

const namesOf = ({ chosen }: Pick<ShownChoice, "chosen">) =>
  listed(chosen.map(({ item, quantity }) => `${quantity > 1 ? `${quantity} × ` : ""}${item.offer.name}`));

/** What to buy within a budget: the answer first, then why, what came next, and what other money would change. */
export function ChoiceSheet({ choice, currency, budgetText, sellable, sold, children }: Props) {
  const { best, onlyOne, next, left } = choice;
  const money = (minor: number) => roundMoneyText({ minor, currency });
  return (
    <section className="sheet border-l-primary grid gap-3 border-l-4 px-4 py-3" aria-label="What to buy">
      <AskForm
        action="/buy"
        label="Budget"
        keep={{ sell: sold.length > 0 ? sold.join(",") : undefined }}
        className="flex flex-wrap items-baseline gap-x-4 text-sm"
      >
        <label className="ask">
          budget
          <input name="budget" key={budgetText} defaultValue={budgetText} inputMode="decimal" aria-label="Budget" />
        </label>
        {choice.sold.map(({ tag, minor }) => (
          <span key={tag} className="text-quiet">
            and {money(minor)} for {tag}
          </span>
        ))}
      </AskForm>
      {best.chosen.length === 0 ? (
        <p className="text-lg font-bold">
          Nothing on offer within {budgetText} improves anybody’s lift.
          {next && <span className="font-normal"> {money(next.extraMinor)} more would.</span>}
        </p>
      ) : (
        <>
          <p className="text-lg">
            <strong>
              Buy {namesOf(best)}: {money(best.costMinor)} delivered.
            </strong>{" "}
            <span className="text-quiet text-sm">
              {best.provenOptimal
                ? "No other choice within the budget gains more."
                : `Nothing gains over ${Math.round((100 * (best.bound - best.gain)) / Math.max(1, best.gain))} % more.`}
            </span>
          </p>
          <Changes choice={best} />
        </>
      )}
      <dl className="grid gap-x-6 gap-y-2 text-sm sm:grid-cols-2">
        <div>
          <dt className="font-bold">If only one</dt>
          <dd>
            {onlyOne ? (
              <Link href={`/buy/${onlyOne.row.id}`} className="link">
                {onlyOne.offer.name}, {money(onlyOne.deliveredMinor!)}
              </Link>
            ) : (
              "None of them gains anything."
            )}
          </dd>
        </div>
        <div>
          <dt className="font-bold">A little more money</dt>
          <dd>
            {next
              ? `${money(next.extraMinor)} more changes the answer to ${namesOf(next)}.`
              : "More money changes nothing."}
          </dd>
        </div>
      </dl>
      {children}
      {sellable.length > 0 && <Sellable {...{ sellable, sold, budgetText, money }} />}
      {left.length > 0 && (
        <p className="text-quiet text-sm">
          Not weighed: {left.map(({ item, why: reason }) => `${item.code} ${item.offer.name}, ${reason}`).join("; ")}.
        </p>
      )}
    </section>
  );
}

/** What the choice is set against: what each part of it adds, the next best, and other budgets. */
export function BesideChoiceSheet({
  choice,
  beside: { why, nextBest, steps },
  currency,
}: {
  choice: BuyingChoice;
  beside: BesideChoice;
  currency: string;
}) {
  const { best } = choice;
  const money = (minor: number) => roundMoneyText({ minor, currency });
  const shownSteps = steps.map((step): ShownStep => ({
    fromMinor: step.fromMinor,
    names: namesOf(step),
    gain: Math.round(step.gain),
  }));
  return (
    <>
      {why.length > 0 && (
        <ul className="grid gap-2 md:grid-cols-2">
          {why.map(({ item, withoutGain, instead }) => (
            <li key={item.row.id} className="border-base-300 border px-3 py-2 text-sm">
              <p className="flex flex-wrap items-baseline justify-between gap-x-3">
                <Link href={`/buy/${item.row.id}`} className="font-bold hover:underline">
                  {item.code} {item.offer.name}
                </Link>
                <span className="tabular-nums">{money(item.deliveredMinor!)}</span>
              </p>
              <OfferDrawing bar={item.bar} className="my-1 max-h-14" />
              <p>
                Without it {Math.round(best.gain - withoutGain)} of {Math.round(best.gain)} points are lost
                {instead.length > 0 &&
                  `, even with ${listed(instead.map((one) => `${one.quantity > 1 ? `${one.quantity} × ` : ""}${one.item.offer.name}`))} instead`}
                .
              </p>
            </li>
          ))}
        </ul>
      )}
      <p className="text-sm">
        <b>Next best</b>:{" "}
        {nextBest
          ? `${namesOf(nextBest)}: ${money(nextBest.costMinor)}, ${Math.round(nextBest.gain)} instead of ${Math.round(best.gain)} points.`
          : "no other choice gains anything."}
      </p>
      {best.chosen.length > 0 && (
        <table className="w-full max-w-2xl text-sm">
          <caption className="sr-only">The choice and the next best</caption>
          <thead className="text-quiet text-xs">
            <tr>
              <th scope="col" className="text-left font-normal" />
              <th scope="col" className="text-right font-normal">
                delivered
              </th>
              <th scope="col" className="text-right font-normal">
                care a year
              </th>
              <th scope="col" className="text-right font-normal">
                worth in five years
              </th>
            </tr>
          </thead>
          <tbody>
            {[["The choice", best] as const, ...(nextBest ? [["Next best", nextBest] as const] : [])].map(
              ([name, one]) => (
                <tr key={name} className="border-base-300 border-t">
                  <th scope="row" className="py-1 text-left font-semibold">
                    {name}
                  </th>
                  <td className="text-right tabular-nums">{money(one.costMinor)}</td>
                  <td className="text-right tabular-nums">{Math.round(one.careMinutes)} min</td>
                  <td className="text-right tabular-nums">{money(one.resaleMinor)}</td>
                </tr>
              ),
            )}
          </tbody>
        </table>
      )}
      {shownSteps.length > 0 && <BudgetSteps steps={shownSteps} budgetMinor={choice.budgetMinor} currency={currency} />}
    </>
  );
}

function Changes({ choice }: { choice: ShownChoice }) {
  return (
    <div className="text-sm">
      <ul className="grid gap-x-6 md:grid-cols-2">
        {choice.improvements.slice(0, 8).map(({ liftKey, lift, from, to, people }) => (
          <li key={`${liftKey} ${from} ${to}`}>
            <strong>{lift}</strong>: {verdictWords(from)} to {verdictWords(to)} for {peopleText(people)}
          </li>
        ))}
        <SpareText spares={choice.spares.slice(0, 6)} />
      </ul>
      {choice.relieved.length > 0 && <p>At the busiest hour nobody waits for {listed(choice.relieved)} any more.</p>}
    </div>
  );
}

function Sellable({
  sellable,
  sold,
  budgetText,
  money,
}: Pick<Props, "sellable" | "sold" | "budgetText"> & { money: (minor: number) => string }) {
  return (
    <details className="text-sm" open={sold.length > 0}>
      <summary className="link min-h-11 cursor-pointer py-3">Sell bars for it</summary>
      <p className="flex flex-wrap gap-x-5">
        {sellable.map(({ tag, name, minor, misses }) => (
          <Link
            key={tag}
            href={`/buy?budget=${encodeURIComponent(budgetText)}&sell=${[...(sold.includes(tag) ? sold.filter((one) => one !== tag) : [...sold, tag])].join(",")}`}
            className={`inline-flex min-h-11 items-center gap-2 ${sold.includes(tag) ? "font-bold underline" : "link"}`}
          >
            {sold.includes(tag) ? "Don’t sell" : "Sell"} {tag} {name}, {money(minor)}
            <span className="text-quiet no-underline">
              {misses === 0 ? "nobody would miss it" : `${misses} lifts would suffer`}
            </span>
          </Link>
        ))}
      </p>
    </details>
  );
}
