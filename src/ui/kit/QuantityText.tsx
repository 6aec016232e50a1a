import type { Quantity } from "@/core/bars/effectiveQuantity";
import { fixed, trimmed } from "@/core/units/format";
import { Kg, Mm } from "./shown";

interface Props {
  quantity: Quantity | null | undefined;
  decimals: number;
  /** What it is kept in; masses and lengths are shown in the reader's unit. */
  unit: string;
  /** The unit stands in the head of the column. */
  isBare?: boolean;
  /** Writes trailing zeros, so that a column of numbers lines up. */
  isAligned?: boolean;
}

/** A value of a bar: upright when measured, leaning when stated, a dash when unknown. */
export function QuantityText({ quantity, decimals, unit, isBare = false, isAligned = false }: Props) {
  if (!quantity) return <span className="text-faint">–</span>;
  return (
    <span className={quantity.source === "stated" ? "stated" : undefined} title={quantity.source}>
      <ValueText value={quantity.value} {...{ decimals, unit, isBare, isAligned }} />
    </span>
  );
}

/** A number with its unit, in the reader's where it is a mass or a length. */
export function ValueText({
  value,
  unit,
  isSigned,
  ...rest
}: { value: number; isSigned?: boolean } & Omit<Props, "quantity">) {
  if (unit === "kg") return <Kg value={value} isSmall {...{ isSigned }} {...rest} />;
  if (unit === "mm") return <Mm value={value} isSmall {...{ isSigned }} {...rest} />;
  const text = (rest.isAligned ? fixed : trimmed)(value, rest.decimals);
  return (
    <>
      {isSigned && value > 0 ? `+${text}` : text.replace("-", "−")}
      {unit && !rest.isBare && <span className="unit">{unit}</span>}
    </>
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
