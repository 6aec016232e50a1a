"use client";

import { simulatedTruth } from "@/core/instruments/simulatedTruth";
import { INSTRUMENTS } from "@/core/bars/quantities";
import { InstrumentPanel } from "./InstrumentPanel";
import { KeyPad } from "./KeyPad";
import { MeasuringForm } from "./MeasuringForm";
import { StepList } from "./MeasuringSteps";
import { useMeasuring, type Measuring, type MeasuringProps } from "./useMeasuring";

interface Props extends MeasuringProps {
  /** From the server, so that the first drawing is the same there and here. */
  seed: number;
  /** Whether simulated instruments are offered: in a demonstration only. */
  offersSimulated: boolean;
}

/** Bar by bar and dimension by dimension, with big keys or a simulated instrument. */
export function MeasuringSession({ seed, offersSimulated, ...props }: Props) {
  const measuring = useMeasuring(props);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[13rem_minmax(0,1fr)_20rem]">
      <StepList bars={measuring.bars} step={measuring.step} onStep={measuring.go} />
      <MeasuringForm measuring={measuring} />
      <div className="grid gap-3">
        <InstrumentChoice measuring={measuring} offersSimulated={offersSimulated} />
        {measuring.instrument.isSimulated ? (
          <InstrumentPanel
            key={measuring.facts.instrument}
            kind={measuring.facts.instrument}
            truth={simulatedTruth(measuring.bar, measuring.step.kind)}
            unit={measuring.facts.unit}
            units={measuring.units}
            seed={seed}
            onReading={measuring.instrument.take}
          />
        ) : (
          <Keys measuring={measuring} />
        )}
      </div>
    </div>
  );
}

function InstrumentChoice({ measuring, offersSimulated }: { measuring: Measuring; offersSimulated: boolean }) {
  const { readWith, isGiven, isSimulated, choose, simulate } = measuring.instrument;
  return (
    <div className="flex flex-wrap items-center gap-3 text-sm">
      {offersSimulated && (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="toggle"
            checked={isSimulated}
            onChange={({ target }) => simulate(target.checked)}
          />
          simulated instrument
        </label>
      )}
      <label className="flex items-center gap-2">
        <span className="text-quiet">read with</span>
        <select
          className="select select-sm w-auto"
          value={readWith}
          disabled={isGiven}
          onChange={({ target }) => choose(target.value)}
        >
          {[...new Set([readWith, ...INSTRUMENTS])].map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </label>
    </div>
  );
}

function Keys({ measuring: { boxes, facts, units } }: { measuring: Measuring }) {
  const text = boxes.of[boxes.at] ?? "";
  const write = (next: string) => boxes.write(boxes.at, next);
  return (
    <KeyPad
      onKey={(key) => write(`${text}${key}`)}
      onBack={() => write(text.slice(0, -1))}
      hasFractions={facts.unit === "mm" && units.length === "in"}
      onSign={facts.range[0] < 0 ? () => write(text.startsWith("-") ? text.slice(1) : `-${text}`) : null}
    />
  );
}
