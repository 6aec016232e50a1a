"use client";

import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, useState } from "react";
import type { QuantityKind } from "@/core/bars/quantities";
import type { WallBar } from "@/server/bars";
import { ROW_CLASS, WallRow } from "./WallRow";

interface Props {
  /** The first rows, from the server. */
  first: readonly WallBar[];
  total: number;
  /** Address that answers further rows; gets `from` and `count` added. */
  source: string;
  today: string;
  extra: QuantityKind | null;
  columns: number;
}

/** Rows fetched at a time. */
export const CHUNK = 50;
const USUAL_ROW_PX = 52;

/** A long wall: only the rows in sight are drawn, and further ones are fetched as somebody comes near them. */
export function WallRows({ first, total, source, today, extra, columns }: Props) {
  const [chunks, setChunks] = useState(() => new Map<number, readonly WallBar[]>([[0, first]]));
  const [problem, setProblem] = useState(false);
  const asked = useRef(new Set([0]));
  const body = useRef<HTMLTableSectionElement>(null);
  const [offset, setOffset] = useState(0);
  useEffect(() => setOffset(body.current?.offsetTop ?? 0), []);
  const rows = useWindowVirtualizer({
    count: total,
    estimateSize: () => USUAL_ROW_PX,
    overscan: 6,
    scrollMargin: offset,
    initialRect: { width: 1280, height: 800 },
  });
  const shown = rows.getVirtualItems();
  const [from, to] = [shown[0]?.index ?? 0, shown.at(-1)?.index ?? 0];

  useEffect(() => {
    for (let chunk = Math.floor(from / CHUNK); chunk <= Math.floor(to / CHUNK); chunk += 1) {
      if (asked.current.has(chunk)) continue;
      asked.current.add(chunk);
      fetch(`${source}${source.includes("?") ? "&" : "?"}from=${chunk * CHUNK}&count=${CHUNK}`)
        .then(async (response) => {
          if (!response.ok) throw new Error(String(response.status));
          const { items } = (await response.json()) as { items: WallBar[] };
          setChunks((now) => new Map(now).set(chunk, items));
          setProblem(false);
        })
        .catch(() => {
          // Asked again when somebody scrolls past it once more.
          asked.current.delete(chunk);
          setProblem(true);
        });
    }
  }, [from, to, source]);

  const before = (shown[0]?.start ?? offset) - offset;
  const after = rows.getTotalSize() - ((shown.at(-1)?.end ?? offset) - offset);
  return (
    <tbody role="rowgroup" ref={body} className="divide-base-300 divide-y max-md:block" aria-label="Bars">
      {before > 0 && <Gap height={before} columns={columns} />}
      {shown.map(({ index }) => {
        const item = chunks.get(Math.floor(index / CHUNK))?.[index % CHUNK];
        return (
          <tr
            role="row"
            key={index}
            ref={rows.measureElement}
            data-index={index}
            aria-rowindex={index + 2}
            className={ROW_CLASS}
          >
            {item ? (
              <WallRow item={item} today={today} extra={extra} />
            ) : (
              <td colSpan={columns} className="text-quiet h-13 px-4">
                {problem ? "The server does not answer; scroll to try again." : "…"}
              </td>
            )}
          </tr>
        );
      })}
      {after > 0 && <Gap height={after} columns={columns} />}
    </tbody>
  );
}

function Gap({ height, columns }: { height: number; columns: number }) {
  return (
    <tr aria-hidden="true" className="max-md:block">
      <td colSpan={columns} className="max-md:block" style={{ height, padding: 0 }} />
    </tr>
  );
}
