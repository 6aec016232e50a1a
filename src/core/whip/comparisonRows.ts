import { elasticModulusOf } from "../bars/elasticModulus";
import { ratedTotalKg, type Bar } from "../bars/bar";
import type { Quantity } from "../bars/effectiveQuantity";
import { seatToSeatOf } from "../bars/lengths";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "../bars/quantities";
import type { Lift } from "../matching/lifts";
import { fixed } from "../units/format";
import type { Bent } from "./compareWhip";

export interface ComparisonRow {
  name: string;
  cells: { text: string; isStated: boolean }[];
  /** What the figures are in; empty for words. */
  unit: string;
  /** Greatest minus least, with its unit; empty where that means nothing. */
  by: string;
  isEqual: boolean;
}

/** Further quantities, each shown when some bar has it. */
const REST = QUANTITY_KINDS.filter(
  (kind) =>
    ![
      "seatToSeat",
      "shaftDiameter",
      "shaftLength",
      "collarThickness",
      "mass",
      "sleeveLength",
      "overallLength",
    ].includes(kind),
);

interface NumberRow {
  name: string;
  values: (number | null)[];
  decimals: number;
  unit: string;
  isStated?: boolean[];
  /** A difference up to this counts as none. */
  within?: number;
}

/**
 * Every quantity of the bars compared: what differs first, what is equal last.
 *
 * @returns rows with a cell for each bar, in the quantities' units
 */
export function comparisonRows(items: readonly { bar: Bar; bent: Bent }[], lift: Lift): ComparisonRow[] {
  const bent = (of: (own: Bent & { ok: true }) => number | null) =>
    items.map(({ bent: own }) => (own.ok ? of(own) : null));
  const isFloor = lift.start === "floor" && lift.speed === "slow";
  const quantity = (
    kind: QuantityKind,
    of = (bar: Bar): Quantity | null => bar.quantities[kind] ?? null,
  ): NumberRow => {
    const all = items.map(({ bar }) => of(bar));
    const { label, unit, decimals, tolerance } = QUANTITIES[kind];
    return {
      name: label,
      unit,
      decimals: Math.min(decimals, 1),
      values: all.map((q) => q?.value ?? null),
      isStated: all.map((q) => q?.source === "stated"),
      within: tolerance ? tolerance / 2 : 0,
    };
  };
  const numbers: NumberRow[] = [
    {
      name: isFloor ? "slack before lift-off" : "plates below the supports",
      unit: "mm",
      decimals: 1,
      values: bent((own) => own.whip.deflectionMm),
    },
    ...(isFloor
      ? [
          { name: "first plate leaves at", unit: "mm", decimals: 1, values: bent((own) => own.firstPlateMm) },
          { name: "last plate leaves at", unit: "mm", decimals: 1, values: bent((own) => own.lastPlateMm) },
        ]
      : []),
    {
      name: "stiffness, one side",
      unit: "N/mm",
      decimals: 0,
      values: bent((own) => own.whip.stiffnessNPerMm),
      within: 0.5,
    },
    { name: "greatest stress", unit: "MPa", decimals: 0, values: bent((own) => own.whip.maxStressMPa), within: 0.5 },
    {
      name: "margin to a lasting bend",
      unit: "×",
      decimals: 1,
      values: bent((own) => own.whip.safetyFactor),
      within: 0.05,
    },
    { name: "oscillation", unit: "Hz", decimals: 1, values: bent((own) => own.whip.oscillationHz), within: 0.05 },
    quantity("seatToSeat", seatToSeatOf),
    quantity("shaftDiameter"),
    quantity("shaftLength"),
    quantity("collarThickness"),
    quantity("mass"),
    quantity("sleeveLength"),
    quantity("overallLength"),
    ...REST.map((kind) => quantity(kind)),
    {
      name: "yield strength",
      unit: "MPa",
      decimals: 0,
      values: items.map(({ bar }) => bar.yieldMPa),
      isStated: items.map(() => true),
    },
    {
      name: "Young’s modulus",
      unit: "GPa",
      decimals: 1,
      values: items.map(({ bar }) => elasticModulusOf(bar)),
      isStated: items.map(() => true),
    },
    { name: "may carry", unit: "kg", decimals: 0, values: items.map(({ bar }) => ratedTotalKg(bar)) },
  ];
  const words: [string, (bar: Bar) => string | null][] = [
    ["alloy", (bar) => bar.alloy?.replace("-", " ") ?? null],
    ["sleeves", (bar) => bar.sleeveRotation],
    ["knurl", (bar) => bar.knurl],
    ["centre knurl", (bar) => bar.centreKnurl],
    ["ring marks", (bar) => bar.ringMarks],
    ["finish", (bar) => bar.finish?.replace("-", " ") ?? null],
  ];
  const rows = [
    ...numbers.filter(({ values }) => values.some((value) => value !== null)).map(numberRow),
    ...words.map(([name, of]) =>
      wordRow(
        name,
        items.map(({ bar }) => of(bar)),
      ),
    ),
  ];
  if (items.length < 2) return rows.map((row) => ({ ...row, isEqual: false }));
  return [...rows.filter(({ isEqual }) => !isEqual), ...rows.filter(({ isEqual }) => isEqual)];
}

function numberRow({ name, values, decimals, unit, isStated = [], within = 0 }: NumberRow): ComparisonRow {
  const known = values.filter((value) => value !== null);
  const difference = Math.max(...known) - Math.min(...known);
  const isEqual = known.length === values.length && difference <= within + 1e-9;
  return {
    ...{ name, unit, isEqual },
    cells: values.map((value, i) => ({
      text: value === null ? "–" : fixed(value, decimals),
      isStated: isStated[i] ?? false,
    })),
    by: known.length < 2 ? "" : `${fixed(difference, decimals)} ${unit}`,
  };
}

function wordRow(name: string, values: (string | null)[]): ComparisonRow {
  return {
    name,
    unit: "",
    isEqual: values.every((value) => value === values[0]),
    cells: values.map((value) => ({ text: value ?? "–", isStated: false })),
    by: "",
  };
}
