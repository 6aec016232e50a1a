"use client";

import { MARK_NAMES, type SideMarks } from "@/core/sideview/marks";
import { marksOf } from "@/core/sideview/stillState";
import { StillPicture } from "./StillPicture";
import type { Still } from "./useStill";

interface Props {
  still: Still;
  marks: SideMarks;
  title: string;
  model: Parameters<typeof StillPicture>[0]["model"];
}

/** The picture with its marks, and which of them is placed next. */
export function StillMarks({ still, marks, title, model }: Props) {
  return (
    <div className="grid gap-2">
      <div role="group" aria-label="Mark to place" className="flex flex-wrap gap-1">
        {marksOf(marks).map((mark) => (
          <button
            key={mark}
            type="button"
            aria-pressed={mark === still.selected}
            className={`btn btn-xs min-h-9 ${mark === still.selected ? "btn-neutral" : "btn-outline"}`}
            onClick={() => still.select(mark)}
          >
            {MARK_NAMES[mark]}
          </button>
        ))}
      </div>
      {still.picture ? (
        <StillPicture
          src={still.picture.src}
          marks={marks}
          selected={still.selected}
          reading={still.reading}
          model={model}
          label={`${title} with its marks`}
          select={still.select}
          change={still.change}
        />
      ) : (
        <p className="text-quiet border-base-300 border p-6 text-sm">
          Only the marks were saved of this still, not its picture.
        </p>
      )}
      <p className="text-quiet text-xs">
        Drag each mark, or choose it above and tap its place; arrow keys move it by a hair. Ankle and knee: the bony
        points. Hip: the bony point at its side. Shoulder: the tip. Bar: the end of its sleeve.
      </p>
    </div>
  );
}
