import type { Quantity } from "@/core/bars/effectiveQuantity";
import { fixed, trimmed } from "@/core/units/format";

interface Props {
  quantity: Quantity | null | undefined;
  decimals: number;
  unit?: string;
  /** Writes trailing zeros, so that a column of numbers lines up. */
  isAligned?: boolean;
}

/** A value of a bar: upright when measured, leaning when stated, a dash when unknown. */
export function QuantityText({ quantity, decimals, unit, isAligned = false }: Props) {
  if (!quantity) return <span className="text-faint">–</span>;
  const text = isAligned ? fixed(quantity.value, decimals) : trimmed(quantity.value, decimals);
  return (
    <span className={quantity.source === "stated" ? "stated" : undefined} title={quantity.source}>
      {text}
      {unit && <span className="unit">{unit}</span>}
    </span>
  );
}

/** What upright and leaning mean; belongs on every sheet that uses them. */
export function QuantityLegend() {
  return (
    <p className="text-quiet text-xs">
      upright = measured · <span className="stated">slanted = stated by the seller</span>
    </p>
  );
}
