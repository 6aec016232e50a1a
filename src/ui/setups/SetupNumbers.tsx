import type { ReactNode } from "react";
import { fixed } from "@/core/units/format";
import { Mm, UnitName } from "../kit/shown";

/** A number of a setting: what it is, the figure, its unit. */
export interface SetupNumber {
  label: string;
  figure: ReactNode;
  unit: ReactNode;
}

/** A length, in the reader's unit; a dash where there is none. */
export function lengthNumber(label: string, mm: number | null, isSigned = false): SetupNumber {
  const figure = mm === null ? "–" : <Mm value={mm} decimals={0} isBare isSigned={isSigned} />;
  return { label, figure, unit: <UnitName of="mm" /> };
}

/** A number in a unit that everybody reads; a dash where there is none. */
export function plainNumber(label: string, value: number | null, decimals: number, unit: string): SetupNumber {
  return { label, figure: value === null ? "–" : fixed(value, decimals), unit };
}

/** The numbers of a setting, in one column with their units beside them. */
export function SetupNumbers({ rows }: { rows: readonly SetupNumber[] }) {
  return (
    <dl className="mb-2 grid grid-cols-[1fr_auto] gap-x-3 text-sm">
      {rows.map(({ label, figure, unit }) => (
        <div key={label} className="border-base-300 col-span-2 grid grid-cols-subgrid border-b py-0.5 last:border-b-0">
          <dt className="text-quiet">{label}</dt>
          <dd className="text-right tabular-nums">
            <strong>{figure}</strong> <span className="unit inline-block w-8 text-left">{unit}</span>
          </dd>
        </div>
      ))}
    </dl>
  );
}
