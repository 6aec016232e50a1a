"use client";

import type { Figure } from "@/core/balance/balance";
import { type MarkKey, type Pixel, type SideMarks } from "@/core/sideview/marks";
import { onPicture, type StillReading } from "@/core/sideview/readStill";
import { pointOf } from "@/core/sideview/stillState";

/** How much the magnifier enlarges. */
export const ZOOM = 3;

export const MODEL_INK = "var(--color-accent)";

export const joined = (...all: Pixel[]) => all.map(([x, y]) => `${x},${y}`).join(" ");

/** The model's limbs in the still's own camera. */
export function ModelOver({
  figure: { ankle, knee, hip, shoulder, load },
  reading,
  facing,
  scale,
}: {
  figure: Figure;
  reading: StillReading;
  facing: SideMarks["facing"];
  scale: number;
}) {
  const at = ([x, y]: readonly [number, number]) => onPicture(reading, facing, [x - ankle[0], y - ankle[1]]);
  const limbs = joined(at(ankle), at(knee), at(hip), at(shoulder));
  const [x, y] = at(load);
  return (
    <g fill="none" strokeLinecap="round" strokeLinejoin="round" aria-hidden>
      <polyline points={limbs} stroke="black" strokeOpacity={0.5} strokeWidth={5 * scale} />
      <polyline
        points={limbs}
        stroke={MODEL_INK}
        strokeWidth={3 * scale}
        strokeDasharray={`${9 * scale} ${6 * scale}`}
      />
      <circle cx={x} cy={y} r={6 * scale} stroke={MODEL_INK} strokeWidth={3 * scale} />
    </g>
  );
}

/** What lies under a finger, three times as large, in the corner that it is not in. */
export function Magnifier({
  src,
  marks,
  mark,
  scale,
}: {
  src: string;
  marks: SideMarks;
  mark: MarkKey;
  scale: number;
}) {
  const at = pointOf(marks, mark);
  if (!at) return null;
  const { widthPx, heightPx } = marks;
  const side = Math.min(130 * scale, widthPx / 2.4);
  const seen = side / ZOOM;
  const left = at[0] < widthPx / 2 ? widthPx - side : 0;
  const half = side / 2;
  return (
    <svg
      x={left}
      y={0}
      width={side}
      height={side}
      viewBox={`${at[0] - seen / 2} ${at[1] - seen / 2} ${seen} ${seen}`}
      aria-hidden
      className="pointer-events-none"
    >
      <rect x={at[0] - half} y={at[1] - half} width={side} height={side} fill="var(--color-base-100)" />
      <image href={src} width={widthPx} height={heightPx} />
      <path
        d={`M${at[0] - seen / 2},${at[1]}h${seen}M${at[0]},${at[1] - seen / 2}v${seen}`}
        stroke="var(--color-primary)"
        strokeWidth={1.2 * (scale / ZOOM)}
        fill="none"
      />
      <rect
        x={at[0] - seen / 2}
        y={at[1] - seen / 2}
        width={seen}
        height={seen}
        fill="none"
        stroke="var(--color-primary)"
        strokeWidth={(4 * scale) / ZOOM}
      />
    </svg>
  );
}
