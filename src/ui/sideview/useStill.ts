"use client";

import { useEffect, useMemo, useReducer, useState } from "react";
import { marksLack, type MarkKey, type SideMarks } from "@/core/sideview/marks";
import { readStill, type StillReading } from "@/core/sideview/readStill";
import { changedMarks, type MarkChange, startMarks } from "@/core/sideview/stillState";

/** A picture that is open in this browser; it goes nowhere unless somebody saves it. */
export interface Picture {
  /** An address of this browser's own, or of a picture that was saved. */
  src: string;
  /** Null for one that was saved before. */
  file: Blob | null;
}

/** A still with its marks as somebody drags them, and what they say. */
export function useStill(heightMm: number | null, saved: SideMarks | null, savedSrc: string | null) {
  const [picture, setPicture] = useState<Picture | null>(savedSrc ? { src: savedSrc, file: null } : null);
  const [marks, change] = useReducer(
    (now: SideMarks | null, next: MarkChange | { kind: "open"; marks: SideMarks | null }) =>
      next.kind === "open" ? next.marks : now && changedMarks(now, next),
    saved,
  );
  const [selected, select] = useState<MarkKey>("ankle");
  const src = picture?.file ? picture.src : null;
  useEffect(() => () => void (src && URL.revokeObjectURL(src)), [src]);
  const lacking = useMemo(() => (marks ? marksLack(marks) : []), [marks]);
  const reading = useMemo<StillReading | null>(
    () => (marks && lacking.length === 0 ? readStill(marks, heightMm) : null),
    [marks, lacking, heightMm],
  );
  return {
    picture,
    marks,
    selected,
    select,
    lacking,
    reading,
    change: change as (next: MarkChange) => void,
    /** Opens a picture from a file; false where the browser cannot read it. */
    open: async (file: Blob): Promise<boolean> => {
      const image = await createImageBitmap(file).catch(() => null);
      if (!image) return false;
      change({ kind: "open", marks: startMarks(image.width, image.height) });
      image.close();
      setPicture({ src: URL.createObjectURL(file), file });
      return true;
    },
  };
}

export type Still = ReturnType<typeof useStill>;
