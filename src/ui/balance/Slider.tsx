"use client";

import { useId } from "react";

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
          type="number"
          aria-label={`${label}, typed`}
          min={least}
          max={most}
          step={step}
          value={value}
          disabled={isDisabled}
          onChange={({ target }) => {
            const typed = Number(target.value);
            if (target.value !== "" && typed >= least && typed <= most) onChange(typed);
          }}
          className="input input-xs w-14 px-1 text-right"
        />
        <span className="unit w-6">{unit}</span>
      </span>
    </div>
  );
}
