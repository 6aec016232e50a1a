"use client";

import { wetFromPct } from "@/core/care/climateDay";
import { trimmed } from "@/core/units/format";
import type { SensorRow } from "@/server/care/air";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import { ImportForm } from "./AirForms";
import { MonthTable } from "./MonthTable";
import { Now, Why } from "./AirNow";
import type { AirSheetProps } from "./airSheetProps";
import { drawnLater, fetched } from "../kit/fetched";
import { OnceOpen } from "../kit/OnceOpen";
import { Day } from "../kit/shown";

const SensorForm = fetched(async () => (await import("./SensorForm")).SensorForm);
const NeedBars = drawnLater(async () => (await import("./airLines")).NeedBars, "h-full");
const WetBars = drawnLater(async () => (await import("./airLines")).WetBars, "h-full");
const DewLines = drawnLater(async () => (await import("./airLines")).DewLines, "h-full");

/** The air of a place: now, its months against each other, why this one is worse, and its readings. */
export function AirSheet(props: AirSheetProps) {
  const { sensors, sensor, months, days, now, steel, timeZone, extent, mayEdit, importAction, sensorAction } = props;
  return (
    <div className="grid gap-3">
      {sensors.length > 1 && (
        <AskForm action="/care/air" label="Which place" className="sheet px-4 py-1">
          <AskChoice
            name="sensor"
            word="at"
            value={sensor.key}
            options={sensors.map(({ key, name }): [string, string] => [key, name])}
          />
        </AskForm>
      )}
      <Now now={now} sensor={sensor} timeZone={timeZone} />
      {months.length > 0 && <Why {...props} />}
      <div className="grid gap-3 lg:grid-cols-2">
        <section className="sheet p-4" aria-label="Month by month">
          <h2 className="font-bold">How much faster bars need care, month by month</h2>
          <p className="text-quiet mb-2 text-xs">
            1 is temperate air, as common practice has it. By ISO 9223, which is meant for open air: indoors it ranks
            months, it does not predict microns.
          </p>
          <Chart label="Need of care by month">
            <NeedBars months={months} />
          </Chart>
          <MonthTable months={months} />
        </section>
        <section className="sheet p-4" aria-label="The last two months">
          <h2 className="font-bold">Wet hours of the last two months</h2>
          <p className="text-quiet mb-2 text-xs">
            Bars: hours over {wetFromPct(sensor.chloride)} % humidity above 0 °C
            {wetFromPct(sensor.chloride) === 80 ? " (ISO 9223)" : ", since salt on steel draws water from there on"}.
            Line: hours in which the steel was below the dew point.
          </p>
          <Chart label="Wet hours by day">
            <WetBars days={days} />
          </Chart>
          <h2 className="mt-4 font-bold">Steel and dew point since yesterday</h2>
          <p className="text-quiet mb-2 text-xs">
            Bars lag behind the air by about {trimmed(sensor.lagHours, 1)} h. Where the steel dips under the dew point
            it is wet.
          </p>
          <Chart label="Steel and dew point">
            <DewLines steel={steel} timeZone={timeZone} />
          </Chart>
        </section>
      </div>
      <section className="sheet p-4" aria-label="Readings">
        <h2 className="font-bold">{sensor.name}</h2>
        <p className="mb-3 text-sm">
          {readingsWords(sensor.kind, extent)}
          {extent.since && (
            <>
              {" "}
              since <Day on={extent.since.slice(0, 10)} />
            </>
          )}
          . On bars there {trimmed(sensor.chloride, 1)} mg of salt and {trimmed(sensor.so2, 1)} mg of sulphur dioxide
          fall on each m² a day.
        </p>
        {mayEdit && (
          <div className="grid gap-4 lg:grid-cols-2">
            <ImportForm sensorKey={sensor.key} action={importAction} />
            <OnceOpen
              summary="Salt, sulphur dioxide and steel here"
              summaryClass="min-h-11 cursor-pointer py-3 text-sm font-semibold"
            >
              {() => <SensorForm key={sensor.version} sensor={sensor} action={sensorAction} />}
            </OnceOpen>
          </div>
        )}
      </section>
    </div>
  );
}

/** Where the readings come from: simulated ones are called so, and so are uploaded ones. */
function readingsWords(kind: SensorRow["kind"], { readings, uploaded }: AirSheetProps["extent"]): string {
  const others = readings - uploaded;
  const count = (n: number) => n.toLocaleString("en");
  return [
    ...(uploaded > 0 || readings === 0 ? [`${count(uploaded)} uploaded readings`] : []),
    ...(others > 0
      ? [`${count(others)} ${kind === "simulated" ? "simulated readings, one an hour" : "readings"}`]
      : []),
  ].join(" and ");
}

function Chart({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <figure aria-label={label} className="h-52 min-w-0 overflow-hidden">
      {children}
    </figure>
  );
}
