"use client";

import type { QuantityKind } from "@/core/bars/quantities";
import type { WallBar } from "@/server/bars";
import { useFirstRows } from "../kit/useFirstRows";
import { ROW_CLASS, WallRow } from "./WallRow";

interface Props {
  items: readonly WallBar[];
  today: string;
  extra: QuantityKind | null;
}

/** Rows in the page as it arrives. */
const FIRST = 12;

/** A wall that is drawn whole. A leaf of the client's: bars go over as their figures, not as their elements. */
export function ShortWall({ items, today, extra }: Props) {
  const rows = useFirstRows(items, FIRST);
  return (
    <tbody role="rowgroup" className="divide-base-300 divide-y max-md:block">
      {rows.map((item) => (
        <tr role="row" key={item.bar.tag} className={ROW_CLASS}>
          <WallRow item={item} today={today} extra={extra} />
        </tr>
      ))}
    </tbody>
  );
}
