"use client";

import { useId, useState } from "react";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";
import { fieldNumber, typedIn } from "@/core/units/shown";
import { useShown } from "../kit/shown";

interface Props {
  label: string;
  value: number;
  range: readonly [number, number];
  step?: number;
  unit: string;
  onChange: (value: number) => void;
  isDisabled?: boolean;
}

/** A number that is moved or typed. */
export function Slider({ label, value, range: [least, most], step = 1, unit, onChange, isDisabled = false }: Props) {
  const id = useId();
  /** What is being typed, as long as it is. */
  const [draft, setDraft] = useState<string | null>(null);
  const { units, name } = useShown();
  const kept = unit === "kg" || unit === "mm" ? unit : null;
  // Others are typed as they are kept.
  const text = kept ? fieldNumber(value, kept, units) : String(value);
  const read = (typed: string) => {
    const quantity = kept && readTyped(typedIn(typed, kept, units), kept);
    return kept ? (quantity ? convertTyped(quantity) : NaN) : Number(typed);
  };
  return (
    <div className="grid grid-cols-[6.5rem_minmax(0,1fr)_5.5rem] items-center gap-2 text-xs">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type="range"
        min={least}
        max={most}
        step={step}
        value={value}
        disabled={isDisabled}
        onChange={({ target }) => onChange(Number(target.value))}
        className="range range-xs w-full"
      />
      <span className="flex items-baseline justify-end gap-1">
        <input
          aria-label={`${label}, typed`}
          inputMode="decimal"
          value={draft ?? text}
          disabled={isDisabled}
          onChange={({ target }) => {
            setDraft(target.value);
            const typed = target.value.trim() === "" ? NaN : read(target.value);
            if (typed >= least && typed <= most) onChange(typed);
          }}
          onBlur={() => setDraft(null)}
          className="input input-xs w-14 px-1 text-right"
        />
        <span className="unit w-6">{name(unit)}</span>
      </span>
    </div>
  );
}
