import { type Bar } from "@/core/bars/bar";
import { seatToSeatOf } from "@/core/bars/lengths";
import { trimmed } from "@/core/units/format";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { Say } from "../kit/shown";

export function Picked({ picked, clear, mayMeasure }: { picked: readonly Bar[]; clear: string; mayMeasure: boolean }) {
  if (picked.length === 0)
    return (
      <p className="text-quiet hidden sm:block">
        Pick two to six bars with the boxes, or <kbd className="kbd kbd-sm">c</kbd> on a row, to lay them over one
        another.
      </p>
    );
  const tags = picked.map(({ tag }) => tag).join(",");
  const [a, b] = picked;
  const seats = a && b ? Math.abs((seatToSeatOf(a)?.value ?? NaN) - (seatToSeatOf(b)?.value ?? NaN)) : NaN;
  const shaft =
    a && b ? Math.abs((a.quantities.shaftDiameter?.value ?? NaN) - (b.quantities.shaftDiameter?.value ?? NaN)) : NaN;
  return (
    <>
      <p>
        <strong>{picked.length} picked</strong>
        <span className="text-quiet">
          {" "}
          {picked.map(({ tag }) => tag).join(", ")}
          {picked.length === 2 && Number.isFinite(seats) && <Say text={` · seats differ ${trimmed(seats, 0)} mm`} />}
          {picked.length === 2 && Number.isFinite(shaft) && <Say text={`, shaft ${trimmed(shaft, 1)} mm`} />}
        </span>
      </p>
      {picked.length > 1 && (
        <Link href={href("/compare", { bars: tags })} className="btn btn-neutral btn-sm">
          Compare
        </Link>
      )}
      {mayMeasure && (
        <Link href={href("/bars/measure", { bars: tags })} className="btn btn-outline btn-sm">
          Measure
        </Link>
      )}
      <Link href={clear} replace scroll={false} className="link text-sm">
        clear
      </Link>
    </>
  );
}
