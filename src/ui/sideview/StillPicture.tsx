"use client";

import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Figure } from "@/core/balance/balance";
import { MARK_NAMES, type MarkKey, type Pixel, type SideMarks } from "@/core/sideview/marks";
import { type StillReading } from "@/core/sideview/readStill";
import { markNear, marksOf, type MarkChange, pointOf } from "@/core/sideview/stillState";
import { joined, ModelOver, Magnifier } from "./StillOver";

interface Props {
  src: string;
  marks: SideMarks;
  selected: MarkKey;
  reading: StillReading | null;
  /** The model's figure, laid over the picture; null without one. */
  model: Figure | null;
  label: string;
  select: (mark: MarkKey) => void;
  change: (change: MarkChange) => void;
}

/** A finger covers so many pixels of the screen. */
const FINGER_PX = 44;

const INK = "var(--color-secondary)";

/** How many pixels of the picture one pixel of the screen is. */
function useScale(widthPx: number) {
  const ref = useRef<SVGSVGElement>(null);
  const [scale, setScale] = useState(1);
  useEffect(() => {
    const svg = ref.current;
    if (!svg) return;
    const measure = () => setScale(widthPx / Math.max(1, svg.getBoundingClientRect().width));
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(svg);
    return () => observer.disconnect();
  }, [widthPx]);
  return [ref, scale] as const;
}

/** A still with its marks: dragged with a finger or the mouse, or moved with the arrow keys; enlarged while they move. */
export function StillPicture({ src, marks, selected, reading, model, label, select, change }: Props) {
  const { widthPx, heightPx } = marks;
  const [svg, scale] = useScale(widthPx);
  const [dragged, setDragged] = useState<MarkKey | null>(null);
  const [isFocused, setFocused] = useState(false);
  const shown = dragged ?? (isFocused ? selected : null);
  const inPicture = (event: PointerEvent): Pixel => {
    const box = svg.current!.getBoundingClientRect();
    return [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
  };
  const grab = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0) return;
    const at = inPicture(event);
    const near = markNear(marks, at, FINGER_PX * scale);
    const mark = near ?? selected;
    event.currentTarget.setPointerCapture(event.pointerId);
    select(mark);
    setDragged(mark);
    // A tap beside every mark puts the chosen one there.
    if (!near) change({ kind: "move", mark, to: at });
  };
  const nudge = (event: KeyboardEvent, mark: MarkKey) => {
    const step = (event.shiftKey ? 10 : 1) * Math.max(1, scale);
    const by = ({ ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] } as const)[
      event.key as "ArrowLeft"
    ];
    if (!by) return;
    event.preventDefault();
    change({ kind: "nudge", mark, by });
  };
  const { points, disc, scale: known } = marks;
  const thin = 2 * scale;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      className="block w-full touch-none select-none"
      role="group"
      aria-label={label}
      onPointerDown={grab}
      onPointerMove={(event) => dragged && change({ kind: "move", mark: dragged, to: inPicture(event) })}
      onPointerUp={() => setDragged(null)}
      onPointerCancel={() => setDragged(null)}
    >
      <image href={src} width={widthPx} height={heightPx} />
      <g fill="none" strokeLinecap="round" strokeLinejoin="round">
        <polyline
          points={joined(points.ankle, points.knee, points.hip, points.shoulder)}
          stroke="white"
          strokeWidth={5 * scale}
        />
        <polyline
          points={joined(points.ankle, points.knee, points.hip, points.shoulder)}
          stroke={INK}
          strokeWidth={3 * scale}
        />
        {disc && (
          <ellipse
            cx={(disc.points.discLeft[0] + disc.points.discRight[0]) / 2}
            cy={(disc.points.discTop[1] + disc.points.discBottom[1]) / 2}
            rx={Math.max(0, (disc.points.discRight[0] - disc.points.discLeft[0]) / 2)}
            ry={Math.max(0, (disc.points.discBottom[1] - disc.points.discTop[1]) / 2)}
            stroke={INK}
            strokeWidth={thin}
            strokeDasharray={`${6 * scale} ${4 * scale}`}
          />
        )}
        {known && (
          <polyline
            points={joined(known.points.scaleA, known.points.scaleB)}
            stroke={INK}
            strokeWidth={thin}
            strokeDasharray={`${3 * scale} ${4 * scale}`}
          />
        )}
      </g>
      {reading && model && <ModelOver figure={model} reading={reading} facing={marks.facing} scale={scale} />}
      {marksOf(marks).map((mark) => {
        const [x, y] = pointOf(marks, mark)!;
        const isChosen = mark === selected;
        return (
          <g
            key={mark}
            role="button"
            tabIndex={0}
            aria-label={`${MARK_NAMES[mark]}: ${Math.round(x)} across, ${Math.round(y)} down; arrow keys move it`}
            aria-pressed={isChosen}
            className="mark cursor-grab outline-none"
            onFocus={() => {
              select(mark);
              setFocused(true);
            }}
            onBlur={() => setFocused(false)}
            onKeyDown={(event) => nudge(event, mark)}
          >
            <circle
              cx={x}
              cy={y}
              r={(isChosen ? 10 : 7) * scale}
              fill="white"
              fillOpacity={0.35}
              stroke="white"
              strokeWidth={4 * scale}
            />
            <circle
              cx={x}
              cy={y}
              r={(isChosen ? 10 : 7) * scale}
              fill="none"
              stroke={isChosen ? "var(--color-primary)" : INK}
              strokeWidth={2.5 * scale}
            />
            <circle cx={x} cy={y} r={1.6 * scale} fill={isChosen ? "var(--color-primary)" : INK} />
          </g>
        );
      })}
      {shown && <Magnifier src={src} marks={marks} mark={shown} scale={scale} />}
    </svg>
  );
}
