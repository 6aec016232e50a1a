"use client";

import { useState } from "react";
import type { FieldDef } from "@/core/bars/barFields";
import {
  readInstrument,
  takeInstrument,
  nullInstrument,
  type SimulatedInstrument,
} from "@/core/instruments/simulatedInstrument";
import { fixed } from "@/core/units/format";
import { FormField } from "../bars/FormField";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Row {
  name: string;
  left: string;
  right: string;
}

interface Props {
  tag: string;
  version: number;
  kind: "arm" | "frame";
  texts: Record<string, string>;
  /** Fields beside marks and pins, or all of a frame's. */
  defs: Record<string, FieldDef>;
  /** What the simulated instruments would find, by side and name of mark or pin; null outside a demonstration. */
  truth: { deg: Record<string, number>; mm: Record<string, number> } | null;
  seed: number;
  action: FormAction;
}

const rowsOf = (text: string | undefined): Row[] =>
  (text ?? "")
    .split(/\s\|\s|\n/)
    .filter(Boolean)
    .map((line) => {
      const [name, rest] = line.split("=").map((part) => part.trim());
      const [left, right] = (rest ?? "").split(/\s+/);
      return { name: name ?? "", left: left ?? "", right: right ?? left ?? "" };
    });

const textOf = (rows: readonly Row[]) =>
  rows
    .filter(({ name, left, right }) => name || left || right)
    .map(({ name, left, right }) => `${name} = ${left} ${right}`)
    .join("\n");

/** Measures a bar's marks and pins once, left and right, by hand or with the simulated gauge and tape. */
export function CalibrateForm({ tag, version, kind, texts, defs, truth, seed, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const known = form.status === "refused" ? form.typed : texts;
  const problemsOf = (key: string) => form.problems.filter(({ path }) => path === key).map(({ message }) => message);
  return (
    <form action={send} key={form.status + form.problems.length} className="grid gap-4">
      <input type="hidden" name="tag" value={tag} />
      <input type="hidden" name="version" value={form.version ?? version} />
      {kind === "arm" && (
        <div className="grid gap-4 lg:grid-cols-2">
          <Rows
            name="marks"
            title="Marks of the angle"
            unit="°"
            instrument="angle gauge"
            start={rowsOf(known.marks)}
            truth={truth?.deg ?? null}
            seed={seed}
            problems={problemsOf("marks")}
            help="0° hangs along the trunk, positive turns forward. Lock both arms at the mark, lay the gauge on each."
          />
          <Rows
            name="pins"
            title="Pins of the distance"
            unit="mm"
            instrument="tape"
            start={rowsOf(known.pins)}
            truth={truth?.mm ?? null}
            seed={seed + 1}
            problems={problemsOf("pins")}
            help="From the pad’s axis to the middle of the sleeve, on each arm."
          />
        </div>
      )}
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
        {Object.entries(defs)
          .filter(([key]) => kind === "frame" || (key !== "marks" && key !== "pins"))
          .map(([key, def]) => (
            <FormField key={key} name={key} def={def} text={known[key] ?? ""} problems={problemsOf(key)} />
          ))}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-neutral" disabled={isPending}>
          Save calibration
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}

function Rows({
  name,
  title,
  unit,
  instrument,
  start,
  truth,
  seed,
  problems,
  help,
}: {
  name: string;
  title: string;
  unit: "°" | "mm";
  instrument: "angle gauge" | "tape";
  start: Row[];
  truth: Record<string, number> | null;
  seed: number;
  problems: string[];
  help: string;
}) {
  const [rows, setRows] = useState<Row[]>(start.length > 0 ? start : [{ name: "", left: "", right: "" }]);
  const [gauge, setGauge] = useState<SimulatedInstrument>(() => takeInstrument(instrument, seed));
  const change = (i: number, part: Partial<Row>) =>
    setRows((all) => all.map((row, j) => (j === i ? { ...row, ...part } : row)));

  function read(i: number, side: "left" | "right") {
    const known = truth?.[`${side}.${rows[i]!.name}`];
    if (known === undefined) return;
    const taken = readInstrument(gauge, known);
    setGauge(taken.instrument);
    change(i, { [side]: fixed(taken.reading, 1) });
  }
  return (
    <fieldset className="sheet px-4 py-3">
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
      <input type="hidden" name={name} value={textOf(rows)} />
      <table className="w-full text-sm">
        <thead className="text-quiet text-left text-xs">
          <tr>
            <th className="font-normal">{unit === "°" ? "mark" : "pin"}</th>
            <th className="font-normal">left, {unit}</th>
            <th className="font-normal">right, {unit}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              <td className="pr-2">
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
                      inputMode="decimal"
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
