"use client";

import { useState } from "react";
import {
  nullInstrument,
  readInstrument,
  type SimulatedInstrument,
  takeInstrument,
} from "@/core/instruments/simulatedInstrument";
import { fixed } from "@/core/units/format";
import { fieldNumber, typedIn, unitName, type Units } from "@/core/units/shown";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";
import { useChecked } from "../kit/checkedField";
import { useShown } from "../kit/shown";

interface Row {
  name: string;
  left: string;
  right: string;
}

type RowUnit = "°" | "mm";

/** Rows of a chart's text, lengths as the person reads them. */
function rowsOf(text: string | undefined, unit: RowUnit, units: Units): Row[] {
  const shown = (said: string) =>
    unit === "mm" && Number.isFinite(Number(said)) && said !== "" ? fieldNumber(Number(said), unit, units) : said;
  const rows = (text ?? "")
    .split(/\s\|\s|\n/)
    .filter(Boolean)
    .map((line) => {
      const [name = "", rest] = line.split("=").map((part) => part.trim());
      const [left = "", right = left] = (rest ?? "").split(/\s+/);
      return { name, left: shown(left), right: shown(right) };
    });
  return rows.length > 0 ? rows : [{ name: "", left: "", right: "" }];
}

/** The chart's text of rows, lengths in mm; what cannot be read is sent as it stands, to be told. */
function textOf(rows: readonly Row[], unit: RowUnit, units: Units): string {
  const inMm = (said: string) => {
    const typed = unit === "mm" ? readTyped(typedIn(said, unit, units), unit) : null;
    return typed ? String(Math.round(convertTyped(typed) * 100) / 100) : said.replace(/\s+/g, "");
  };
  return rows
    .filter(({ name, left, right }) => name || left || right)
    .map(({ name, left, right }) => `${name} = ${inMm(left)} ${inMm(right)}`)
    .join("\n");
}

interface Props {
  name: string;
  title: string;
  unit: RowUnit;
  instrument: "angle gauge" | "tape";
  /** As the chart says it, in degrees or mm. */
  text: string | undefined;
  /** What the simulated instrument would find; null outside a demonstration. */
  truth: Record<string, number> | null;
  seed: number;
  problems: string[];
  help: string;
}

/** Marks or pins of a bar, one a row, measured left and right. */
export function CalibrateRows({ name, title, unit, instrument, text, truth, seed, problems: refused, help }: Props) {
  const now = useShown().units;
  // What stands in the fields was written in the units of that moment.
  const [units] = useState(now);
  const shownUnit = unitName(unit, units);
  const { problem } = useChecked(name);
  const problems = problem ? [problem] : refused;
  const [rows, setRows] = useState<Row[]>(() => rowsOf(text, unit, units));
  const [gauge, setGauge] = useState<SimulatedInstrument>(() => takeInstrument(instrument, seed));
  // As the instrument shows it: a tenth of a millimetre, also where it is nought.
  const shown = (reading: number) =>
    shownUnit === "in" ? fieldNumber(Number(fixed(reading, 1)), "mm", units) : fixed(reading, 1);
  const change = (i: number, part: Partial<Row>) =>
    setRows((all) => all.map((row, j) => (j === i ? { ...row, ...part } : row)));

  function read(i: number, side: "left" | "right") {
    const known = truth?.[`${side}.${rows[i]!.name}`];
    if (known === undefined) return;
    const taken = readInstrument(gauge, known);
    setGauge(taken.instrument);
    change(i, { [side]: shown(taken.reading) });
  }
  return (
    <fieldset className="sheet min-w-0 px-4 py-3">
      <legend className="sr-only">{title}</legend>
      <div className="mb-1 flex flex-wrap items-center justify-between gap-2">
        <h2 className="font-bold" aria-hidden="true">
          {title}
        </h2>
        <span className={`flex items-center gap-2 text-xs ${truth ? "" : "hidden"}`}>
          simulated {instrument}:{" "}
          {gauge.isNulled ? (
            <span className="text-success">zeroed</span>
          ) : (
            <button
              type="button"
              className="btn btn-xs btn-outline min-h-9"
              onClick={() => setGauge((one) => nullInstrument(one))}
            >
              zero not checked: zero it
            </button>
          )}
        </span>
      </div>
      <p className="text-quiet mb-2 text-xs">{help}</p>
      <input type="hidden" name={name} value={textOf(rows, unit, units)} />
      <div className="overflow-x-auto">
        <table className="w-full text-sm">
          <thead className="text-quiet text-left text-xs">
            <tr>
              <th className="font-normal">{unit === "°" ? "mark" : "pin"}</th>
              <th className="font-normal">left, {shownUnit}</th>
              <th className="font-normal">right, {shownUnit}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                <td className="py-0.5 pr-2">
                  <input
                    aria-label={`${name} ${i + 1}, name`}
                    value={row.name}
                    onChange={({ target }) => change(i, { name: target.value })}
                    className="input input-sm w-14"
                  />
                </td>
                {(["left", "right"] as const).map((side) => (
                  <td key={side} className="pr-2">
                    <span className="flex flex-col gap-1 sm:flex-row">
                      <input
                        aria-label={`${name} ${i + 1}, ${side}`}
                        value={row[side]}
                        inputMode={shownUnit === "in" ? "text" : "decimal"}
                        onChange={({ target }) => change(i, { [side]: target.value })}
                        className="input input-sm w-20 text-right"
                      />
                      <button
                        type="button"
                        hidden={truth === null}
                        className="btn btn-sm btn-outline px-2"
                        aria-label={`Measure ${side} of ${name} ${i + 1}`}
                        disabled={truth?.[`${side}.${row.name}`] === undefined}
                        onClick={() => read(i, side)}
                      >
                        Measure
                      </button>
                    </span>
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="btn btn-ghost btn-sm"
                    aria-label={`Delete ${name} ${i + 1}`}
                    onClick={() => setRows((all) => all.filter((_, j) => j !== i))}
                  >
                    ×
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <button
        type="button"
        className="btn btn-sm btn-outline mt-2"
        onClick={() => setRows((all) => [...all, { name: "", left: "", right: "" }])}
      >
        Add
      </button>
      {problems.map((message) => (
        <p key={message} className="text-error mt-1 text-sm">
          {message}
        </p>
      ))}
    </fieldset>
  );
}
