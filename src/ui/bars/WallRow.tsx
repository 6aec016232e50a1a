import { memo } from "react";
import { FAMILIES } from "@/core/bars/families";
import { seatToSeatOf } from "@/core/bars/lengths";
import { QUANTITIES, type QuantityKind } from "@/core/bars/quantities";
import { drawBar } from "@/core/drawing/drawBar";
import type { WallBar } from "@/server/bars";
import { BarDrawing } from "../kit/BarDrawing";
import { dueText } from "../kit/dueText";
import Link from "../kit/Link";
import { QuantityText } from "../kit/QuantityText";
import { href } from "../kit/search";
import { UnitName } from "../kit/shown";
import { StateText } from "../kit/StateText";
import { PickBox } from "./PickBox";

interface Props {
  item: WallBar;
  today: string;
  /** A quantity that is asked for and has no column of its own. */
  extra: QuantityKind | null;
}

/** One bar of the wall: the row is the bar, to scale, on the centre line that all rows share. */
export const WallRow = memo(function WallRow({ item: { bar, place, due, findings }, today, extra }: Props) {
  const state = (
    <>
      {bar.state !== "in-service" ? (
        <StateText state={bar.state} reason={bar.stateReason} />
      ) : (
        !due && <span className="text-quiet">in service</span>
      )}
      {findings.length > 0 && (
        <Link href={`/bars/${encodeURIComponent(bar.tag)}`} className="text-error block font-semibold hover:underline">
          {findings[0]}: not resolved
        </Link>
      )}
      {due && bar.state !== "quarantined" && (
        <Link href={href("/care", { bar: bar.tag })} className="text-accent block font-semibold hover:underline">
          {due.taskName}: {dueText(due.dueOn, today)}
        </Link>
      )}
    </>
  );
  return (
    <>
      <td role="cell" className="py-1 pl-1 max-md:row-start-1 md:pl-2">
        <div className="flex items-center gap-0.5 md:gap-1.5">
          <PickBox tag={bar.tag} />
          <span className="bar-tag">{bar.tag}</span>
        </div>
      </td>
      <th role="rowheader" scope="row" className="py-1.5 pr-2 text-left font-normal max-md:pl-2">
        <Link href={`/bars/${encodeURIComponent(bar.tag)}`} data-row={bar.tag} className="block hover:underline">
          <span className="block font-semibold">{bar.name}</span>
        </Link>
        <span className="text-quiet block text-xs">
          {FAMILIES[bar.family].name}
          {place ? <span className="lg:hidden"> · {place}</span> : null}
        </span>
        <span className="block text-xs lg:hidden">{state}</span>
      </th>
      <td role="cell" className="p-0 max-md:col-span-3 max-md:row-start-2 max-md:pb-1.5">
        <BarDrawing drawing={drawBar(bar)} label={`${bar.name}, drawn to scale`} className="max-h-32" />
      </td>
      <td role="cell" className="pr-3 text-right md:pr-1">
        <QuantityText quantity={bar.quantities.mass} decimals={1} unit="kg" isBare isAligned />
        <span className="unit md:hidden">
          <UnitName of="kg" />
        </span>
      </td>
      <td role="cell" className="hidden pr-1 text-right md:table-cell">
        <QuantityText quantity={bar.quantities.shaftDiameter} decimals={1} unit="mm" isBare isAligned />
      </td>
      <td role="cell" className="hidden pr-1 text-right md:table-cell">
        <QuantityText quantity={seatToSeatOf(bar)} decimals={0} unit="mm" isBare isAligned />
      </td>
      {extra && (
        <td role="cell" className="hidden pr-1 text-right md:table-cell">
          <QuantityText
            quantity={bar.quantities[extra]}
            decimals={Math.min(QUANTITIES[extra].decimals, 1)}
            unit={QUANTITIES[extra].unit}
            isBare
            isAligned
          />
        </td>
      )}
      <td role="cell" className="hidden py-1 pr-2 pl-4 text-xs leading-snug lg:table-cell">
        {state}
      </td>
    </>
  );
});

/** On a telephone tag, name and mass stand above the drawing, which has the whole width. */
export const ROW_CLASS =
  "hover:bg-base-200/60 has-checked:bg-primary/10 max-md:grid max-md:grid-cols-[auto_minmax(0,1fr)_auto] max-md:items-center";
