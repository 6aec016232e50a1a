import type { Bar } from "@/core/bars/bar";
import type { InspectionFacts, InspectionLimits } from "@/core/care/inspection";
import { fixed } from "@/core/units/format";
import { type Zone, ZONE_NAMES } from "@/core/wear/zones";
import type { BarCondition } from "@/server/care/records";
import { ConditionChart } from "./ConditionChart";
import { Day, Say } from "../kit/shown";

export interface PastInspection {
  id: string;
  on: string;
  by: string;
  tirMm: number | null;
  suggested: string;
  decided: string;
  reason: string | null;
  facts: InspectionFacts;
}

interface Props {
  bar: Bar;
  past: readonly PastInspection[];
  limits: InspectionLimits;
  condition: BarCondition;
  today: string;
}

/** Inspections before this one, and care against condition over time. */
export function PastInspections({ bar, past, limits, condition, today }: Props) {
  if (past.length === 0) return <p className="text-quiet text-sm">First inspection of this bar: trends start here.</p>;
  return (
    <section className="sheet p-4" aria-label="Inspected before">
      <h2 className="mb-2 font-bold">Inspected before</h2>
      <ConditionChart tag={bar.tag} condition={condition} limits={limits} today={today} />
      <ul className="divide-base-300 divide-y text-sm">
        {past.map(({ id, on, by, tirMm, suggested, decided, reason, facts }) => (
          <li key={id} className="py-1">
            <strong>
              <Day on={on} />
            </strong>{" "}
            {by}: {decided}
            {decided !== suggested && ` (the rule said ${suggested})`}
            {tirMm !== null && <Say text={`, runout ${fixed(tirMm, 2)} mm`} />}
            {surfaceWords(facts)}
            {reason && `: ${reason}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How knurl, rust and finish were, with where: ", knurl worn at the left knurl, rust specks". */
function surfaceWords({ knurl, knurlAt, rust, rustAt, finish }: InspectionFacts): string {
  const at = (zone: Zone | null | undefined) => (zone ? ` at the ${ZONE_NAMES[zone]}` : "");
  return [
    knurl && `, knurl ${knurl}${at(knurlAt)}`,
    rust && `, rust ${rust}${at(rustAt)}`,
    finish && `, finish ${finish}`,
  ]
    .filter(Boolean)
    .join("");
}
