import { ratedTotalKg } from "@/core/bars/bar";
import { ValueText } from "../kit/QuantityText";
import { BAR_FIELDS, FIELD_GROUPS, FIELD_KEYS, type FieldDef, type FieldKey } from "@/core/bars/barFields";
import { trimmed } from "@/core/units/format";
import type { BarDetails } from "@/server/bars";
import type { LogItem } from "@/server/care/log";
import type { DueItem } from "@/server/care/due";
import { dayText } from "@/core/units/dates";
import { dueText } from "../kit/dueText";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { Day, Say } from "../kit/shown";

/** Said elsewhere on the page. */
const ELSEWHERE: readonly FieldKey[] = ["tag", "name", "family", "state", "stateReason"];
const GROUP_WORDS = {
  identity: null,
  bought: "Bought",
  keeping: "Where it hangs",
  material: "Material",
  knurl: "Knurl",
  sleeves: "Sleeves",
  rating: "Rating",
  geometry: "Special parts",
} as const;
/** What matters on the floor comes first. */
const ORDER = ["rating", "keeping", "geometry", "sleeves", "knurl", "material", "bought", "identity"] as const;

const LIST = "grid grid-cols-[7.5rem_minmax(0,1fr)] gap-x-2 gap-y-1 text-sm";

/** Everything that is kept of the bar, group by group; what is unknown is left out, but a missing rating is said. */
export function Facts({ details: { bar, texts, currency } }: { details: BarDetails }) {
  const rated = ratedTotalKg(bar);
  return (
    <section className="px-4 pb-4" aria-label="Facts">
      <dl className={LIST}>
        <dt className="text-quiet">may carry</dt>
        <dd className={rated === null ? "text-accent font-semibold" : "font-semibold"}>
          {rated === null ? "unknown: ask the seller" : <Say text={`${trimmed(rated, 1)} kg in all`} />}
        </dd>
      </dl>
      {ORDER.filter((group) => FIELD_GROUPS.includes(group)).map((group) => {
        const keys = FIELD_KEYS.filter(
          (key) => BAR_FIELDS[key].group === group && !ELSEWHERE.includes(key) && texts[key] !== undefined,
        );
        if (keys.length === 0) return null;
        return (
          <div key={group}>
            {GROUP_WORDS[group] && <h3 className="text-quiet mt-2 text-xs font-semibold">{GROUP_WORDS[group]}</h3>}
            <dl className={LIST}>
              {keys.map((key) => (
                <div key={key} className="contents">
                  <dt className="text-quiet">{BAR_FIELDS[key].label}</dt>
                  <dd>{factText(BAR_FIELDS[key], texts[key]!, currency)}</dd>
                </div>
              ))}
            </dl>
          </div>
        );
      })}
      <p className="text-quiet mt-3 text-xs">
        Never over the rating or the seller’s limit. The maker’s instructions come first.
      </p>
    </section>
  );
}

function factText(def: FieldDef, text: string, currency: string) {
  switch (def.kind) {
    case "choice":
      return def.words?.[text] ?? text.replaceAll("-", " ");
    case "day":
      return <Day on={text} />;
    case "number":
      return <ValueText value={Number(text)} decimals={2} unit={def.unit} />;
    case "money":
      return `${text} ${currency}`;
    case "list":
      return (
        <ul>
          {text.split(" | ").map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      );
    default:
      return <Say text={text} />;
  }
}

export function CareOfBar({ care, log, today, tag }: { care: DueItem[]; log: LogItem[]; today: string; tag: string }) {
  return (
    <section className="sheet p-4" aria-labelledby="care">
      <div className="mb-2 flex items-baseline justify-between">
        <h2 id="care" className="font-bold">
          Care
        </h2>
        <Link href={href("/care", { bar: tag })} className="link text-sm">
          tick off
        </Link>
      </div>
      {care.length === 0 && <p className="text-sm">Nothing is planned for this bar yet.</p>}
      <ul className="grid gap-1 text-sm">
        {care.map((item) => (
          <li key={item.task} className="flex justify-between gap-3">
            <span>{item.taskName}</span>
            <span className={`whitespace-nowrap ${item.overdueDays > 0 ? "text-accent font-bold" : "text-quiet"}`}>
              {dueText(item.dueOn, today)}
            </span>
          </li>
        ))}
      </ul>
      {log.length > 0 && (
        <ul className="text-quiet mt-3 grid gap-0.5 text-xs">
          {log.map((entry) => (
            <li key={entry.id} className={entry.isUndone ? "line-through" : undefined}>
              {dayText(entry.doneOn, today)}: {entry.taskName}, {entry.by}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
