import type { ReactNode } from "react";
import { FAMILIES } from "@/core/bars/families";
import type { Bar } from "@/core/bars/bar";
import { drawBar, viewsOf } from "@/core/drawing/drawBar";
import { drawingNote, sideWords, VIEW_WORDS } from "@/core/drawing/dimensionedSheet";
import { Shapes } from "../kit/BarDrawing";
import { DimensionedBar } from "./DimensionedBar";
import { Say } from "../kit/shown";
import { PictureLinks } from "./PictureLinks";

/** One bar large: its main view with dimension lines, then the other views, and a file of it. */
export function DrawingSheet({
  bar,
  mayMeasure = false,
  strip = null,
}: {
  bar: Bar;
  mayMeasure?: boolean;
  /** Wear and finds along the shaft. */
  strip?: ReactNode;
}) {
  const [, ...others] = viewsOf(bar);
  return (
    <section className="sheet mb-3 pt-3" aria-label="Drawing">
      <DimensionedBar bar={bar} isTouchable={mayMeasure} />
      {strip}
      {others.length > 0 && (
        <div className="border-base-300 flex flex-wrap items-end gap-x-8 gap-y-2 border-t px-4 pt-3">
          {others.map((view) => {
            const { shapes, extent } = drawBar(bar, undefined, view);
            const isSide = view === "side";
            const margin = 30;
            const [w, h] = [extent.right - extent.left + 2 * margin, extent.top - extent.bottom + 2 * margin];
            return (
              <figure
                key={view}
                className={isSide ? "flex min-w-0 flex-wrap items-end gap-x-4" : "min-w-60 grow basis-80"}
              >
                <svg
                  viewBox={`${extent.left - margin} ${-extent.top - margin} ${w} ${h}`}
                  role="img"
                  aria-label={`${FAMILIES[bar.family].name} ${VIEW_WORDS[view]}`}
                  className={`drawn ${isSide ? "h-28 max-w-full" : "max-h-28 w-full"}`}
                >
                  <Shapes shapes={shapes} />
                  {isSide && (
                    <path
                      d={`M${-12},0h24M0,-12v24`}
                      stroke="var(--color-base-100)"
                      strokeWidth={3}
                      aria-hidden="true"
                    />
                  )}
                </svg>
                <figcaption className="text-quiet text-xs">
                  {VIEW_WORDS[view]}
                  {isSide && sideWords(bar) !== "" && (
                    <span className="text-base-content block text-sm">
                      <Say text={sideWords(bar)} />
                    </span>
                  )}
                </figcaption>
              </figure>
            );
          })}
        </div>
      )}
      <div className="flex flex-wrap items-center justify-between gap-x-4 px-4 pt-1 pb-2">
        <p className="text-quiet text-xs">
          <Say text={drawingNote(bar)} />
          {mayMeasure && " Touch a part to measure it."}
        </p>
        <PictureLinks svg={`/bars/${encodeURIComponent(bar.tag)}/drawing.svg`} name={`${bar.tag}-drawing`} />
      </div>
    </section>
  );
}
