import { fixed } from "@/core/units/format";
import type { LifterLog } from "@/server/logbook";
import { WorkChart } from "./LaterCharts";
import { Kg, UnitName } from "../kit/shown";

export function Work({ log: { weeks, effort } }: { log: LifterLog }) {
  const shown = weeks.slice(-26);
  const reserve = (value: number | null) => (value === null ? "" : `, ${fixed(value, 1)} left in reserve`);
  return (
    <section className="sheet px-4 py-3" aria-label="Work">
      <h2 className="font-bold">Work by week</h2>
      <p className="text-quiet text-xs">
        load × repetitions of the sets that were made, in <UnitName of="kg" />
      </p>
      <WorkChart weeks={shown} />
      {effort && (
        <dl className="grid grid-cols-2 gap-3 pt-2 text-sm">
          {(
            [
              ["Heavy week", effort.heavy],
              ["Light week, equal effort", effort.light],
            ] as const
          ).map(([word, week]) => (
            <div key={word}>
              <dt className="text-quiet text-xs">{word}</dt>
              <dd>
                <strong className="tabular-nums">
                  <Kg value={week.loadKg} decimals={0} isSmall />
                </strong>{" "}
                a repetition
                <span className="text-quiet block text-xs">
                  <Kg value={week.kg} decimals={0} /> in all{reserve(week.reserve)}
                </span>
              </dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  );
}
