import { roundMoneyText } from "@/core/buying/money";
import { AskForm } from "../kit/AskForm";
import Link from "../kit/Link";
import { Changes, Sellable, namesOf } from "./BesideChoice";
import type { ChoiceSheetProps } from "./choiceSheetProps";

/** What to buy within a budget: the answer first, then why, what came next, and what other money would change. */
export function ChoiceSheet({ choice, currency, budgetText, sellable, sold, children }: ChoiceSheetProps) {
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
          Nothing on offer within {budgetText} improves anyone’s lift.
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
