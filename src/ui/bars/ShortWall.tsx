"use client";

import type { QuantityKind } from "@/core/bars/quantities";
import type { WallBar } from "@/server/bars";
import { ROW_CLASS, WallRow } from "./WallRow";

interface Props {
  items: readonly WallBar[];
  today: string;
  extra: QuantityKind | null;
}

/** A wall that is drawn whole. A leaf of the client's: bars go over as their figures, not as their elements. */
export function ShortWall({ items, today, extra }: Props) {
  return (
    <tbody role="rowgroup" className="divide-base-300 divide-y max-md:block">
      {items.map((item) => (
        <tr role="row" key={item.bar.tag} className={ROW_CLASS}>
          <WallRow item={item} today={today} extra={extra} />
        </tr>
      ))}
    </tbody>
  );
}
