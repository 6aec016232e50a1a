import { peopleText } from "@/core/buying/offerGain";
import { roundMoneyText } from "@/core/buying/money";
import { listed } from "@/core/units/format";
import type { BesideChoice, BuyingChoice, ShownChoice } from "@/server/buying";
import Link from "../kit/Link";
import { BudgetSteps, type ShownStep } from "./BudgetSteps";
import { OfferDrawing } from "./OfferDrawing";
import { SpareText } from "./SpareText";
import { verdictWords } from "./verdictWords";
import type { ChoiceSheetProps } from "./choiceSheetProps";

export const namesOf = ({ chosen }: Pick<ShownChoice, "chosen">) =>
  listed(chosen.map(({ item, quantity }) => `${quantity > 1 ? `${quantity} × ` : ""}${item.offer.name}`));

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

export function Changes({ choice }: { choice: ShownChoice }) {
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

export function Sellable({
  sellable,
  sold,
  budgetText,
  money,
}: Pick<ChoiceSheetProps, "sellable" | "sold" | "budgetText"> & { money: (minor: number) => string }) {
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
