import { daysBetween } from "@/core/units/hallDay";
import { moneyText, roundMoneyText } from "@/core/buying/money";
import type { BarCostItem } from "@/server/buying";
import { BarTag } from "../kit/BarTag";
import { dayText } from "@/core/units/dates";

const SHOWN_MISSED = 2;
/** So long without use, and missed by nobody, a bar may go. */
const IDLE_DAYS = 90;

const isIdle = ({ lastUsedOn }: BarCostItem, today: string) =>
  lastUsedOn === null || daysBetween(lastUsedOn, today) > IDLE_DAYS;

/** What bars have cost by session, and who would miss each. */
export function CostTable({
  items,
  currency,
  today,
}: {
  items: readonly BarCostItem[];
  currency: string;
  today: string;
}) {
  const money = (minor: number | null) => (minor === null ? "" : roundMoneyText({ minor, currency }));
  const spare = items.filter((one) => one.isUsable && one.missed.length === 0 && isIdle(one, today)).length;
  return (
    <>
      {spare > 0 && (
        <p className="sheet border-l-primary border-l-4 px-4 py-3 text-sm">
          <strong>
            {`${spare === 1 ? "One bar" : `Any one of ${spare} bars`} could be sold: nobody would miss it.`}
          </strong>{" "}
          Each is judged with all the others still here: sell one, then look again. Sets that nobody logged do not
          count.
        </p>
      )}
      <CostRows {...{ items, today, money, currency }} />
    </>
  );
}

function CostRows({
  items,
  today,
  money,
  currency,
}: {
  items: readonly BarCostItem[];
  today: string;
  money: (minor: number | null) => string;
  currency: string;
}) {
  return (
    <div className="sheet overflow-x-auto" tabIndex={0} role="region" aria-label="What bars have cost">
      <table className="w-full text-sm">
        <caption className="sr-only">Cost of each bar, the dearest by session first</caption>
        <thead className="border-base-content border-b text-xs">
          <tr>
            <th scope="col" className="px-3 py-2 text-left font-normal">
              bar
            </th>
            {["price", "would bring", "repairs", "care", "sessions"].map((head) => (
              <th key={head} scope="col" className="px-2 text-right font-normal">
                {head}
              </th>
            ))}
            <th scope="col" className="px-2 text-right font-normal">
              a session
            </th>
            <th scope="col" className="px-3 text-left font-normal">
              without it
            </th>
          </tr>
        </thead>
        <tbody className="divide-base-300 divide-y">
          {items.map((one) => (
            <tr key={one.tag} className="hover:bg-base-200/60">
              <th scope="row" className="px-3 py-1 text-left font-normal whitespace-nowrap">
                <BarTag tag={one.tag} /> {one.name}
              </th>
              <td className="px-2 text-right tabular-nums">{money(one.priceMinor)}</td>
              <td className="px-2 text-right tabular-nums">{one.priceMinor === null ? "" : money(one.resaleMinor)}</td>
              <td className="px-2 text-right tabular-nums">{one.repairsMinor > 0 ? money(one.repairsMinor) : ""}</td>
              <td className="px-2 text-right tabular-nums">{Math.round(one.careMinutes)} min</td>
              <td className="px-2 text-right tabular-nums">{one.sessions || ""}</td>
              <td className="px-2 text-right font-semibold tabular-nums">
                {one.perSessionMinor === null ? "" : moneyText({ minor: one.perSessionMinor, currency })}
              </td>
              <td className="px-3 text-xs">
                {!one.isUsable ? (
                  <strong>out of service: repair or retire it, never sell it as sound</strong>
                ) : one.missed.length === 0 ? (
                  <span className={isIdle(one, today) ? "" : "text-quiet"}>
                    {isIdle(one, today) ? "could be sold: nobody would miss it" : "nobody would miss it"}
                    {one.lastUsedOn ? `; last used ${dayText(one.lastUsedOn, today)}` : "; no use on record"}
                  </span>
                ) : (
                  <>
                    {one.missed
                      .slice(0, SHOWN_MISSED)
                      .map(({ lift, person }) => `${lift} of ${person}`)
                      .join(", ")}
                    {one.missed.length > SHOWN_MISSED && ` and ${one.missed.length - SHOWN_MISSED} more lifts`} would
                    suffer
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
