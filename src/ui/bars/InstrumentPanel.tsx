"use client";

import { useState } from "react";
import type { Instrument, QuantityFacts } from "@/core/bars/quantities";
import { instrumentFace, instrumentStep } from "@/core/instruments/instrumentFace";
import {
  nullInstrument,
  readInstrument,
  SIMULATED_INSTRUMENTS,
  takeInstrument,
  type SimulatedInstrument,
} from "@/core/instruments/simulatedInstrument";
import { unitName, type Units } from "@/core/units/shown";

interface Props {
  kind: Instrument;
  /** What it would find at the bar, had it neither noise nor a zero error. */
  truth: number;
  unit: QuantityFacts["unit"];
  /** What it is switched to. */
  units: Units;
  /** A number that is not the same twice, for what the instrument wakes up with. */
  seed: number;
  onReading: (text: string) => void;
}

/** A made-up instrument: it shows what a real one would, noise, steps and a zero to null included. */
export function InstrumentPanel({ kind, truth, unit, units, seed, onReading }: Props) {
  const facts = SIMULATED_INSTRUMENTS[kind];
  const [instrument, setInstrument] = useState<SimulatedInstrument>(() => takeInstrument(kind, seed));
  const [shown, setShown] = useState<number | null>(null);
  const own = instrument.kind === kind ? instrument : takeInstrument(kind, seed);

  function take(value: number): number {
    const read = readInstrument(own, value);
    setInstrument(read.instrument);
    setShown(read.reading);
    return read.reading;
  }

  return (
    <section className="sheet p-4" aria-label={`Simulated ${facts.name}`}>
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-2">
        <h2 className="font-bold">Simulated {facts.name}</h2>
        <span className={`text-xs ${own.isNulled ? "text-success" : "text-accent font-semibold"}`}>
          {own.isNulled ? "nulled" : "zero not checked"}
        </span>
      </div>
      <output
        className="bg-base-200 border-base-300 mb-3 block border px-3 py-2 text-right text-3xl font-bold"
        aria-label="It shows"
      >
        {shown === null ? "–" : instrumentFace(shown, kind, unit, units)}
        <span className="unit">{unitName(unit, units)}</span>
      </output>
      <div className="grid grid-cols-2 gap-2">
        <button
          type="button"
          className="btn btn-neutral col-span-2 min-h-14 text-base"
          onClick={() => onReading(instrumentFace(take(truth), kind, unit, units))}
        >
          Read the bar
        </button>
        <button type="button" className="btn btn-outline min-h-12" onClick={() => take(0)} title={facts.howToNull}>
          With nothing in it
        </button>
        <button
          type="button"
          className="btn btn-outline min-h-12"
          onClick={() => {
            setInstrument(nullInstrument(own));
            setShown(0);
          }}
        >
          Zero it
        </button>
      </div>
      <p className="text-quiet mt-2 text-xs">
        For learning and trying without hardware: shows steps of {instrumentStep(kind, unit, units)} and is a little
        different each time. To zero it: {facts.howToNull}.
      </p>
    </section>
  );
}
