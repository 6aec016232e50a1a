"use client";

import { type CameraSide, type ScaleAlong } from "@/core/sideview/marks";
import { START_DISC, START_SCALE } from "@/core/sideview/stillState";
import { typedIn } from "@/core/units/shown";
import { convertTyped, readTyped, type Unit } from "@/core/units/typedQuantity";
import { Say, useShown } from "../kit/shown";
import { type useStill } from "./useStill";

/** A mass or a length as somebody typed it, in kg or mm; null where it cannot be read. */
export function typed(text: string, unit: Unit): number | null {
  const read = readTyped(text, unit);
  return read ? convertTyped(read) : null;
}

/** Which way they face, how large the plate is, a second scale, and where the camera stood. */
export function StillOptions({ still }: { still: ReturnType<typeof useStill> }) {
  const { marks, change } = still;
  const shown = useShown();
  if (!marks) return null;
  const field = (label: string, value: string, keep: (mm: number) => void) => (
    <label className="grid gap-1">
      {label}
      <input
        key={value}
        className="input w-32"
        defaultValue={value}
        onBlur={({ target }) => {
          // What nobody touched stays as exact as it is kept.
          const mm = target.value === value ? null : typed(typedIn(target.value, "mm", shown.units), "mm");
          if (mm !== null && mm > 0) keep(mm);
        }}
      />
    </label>
  );
  return (
    <details className="border-base-300 border-t pt-1 text-sm">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">Scale and camera</summary>
      <div className="flex flex-wrap gap-3 pb-2">
        <label className="grid gap-1">
          They face
          <select
            className="select w-32"
            value={marks.facing}
            onChange={({ target }) => change({ kind: "set", facing: target.value as "left" | "right" })}
          >
            <option value="right">right</option>
            <option value="left">left</option>
          </select>
        </label>
        <label className="grid gap-1">
          The camera stood
          <select
            className="select w-48"
            value={marks.cameraSide}
            onChange={({ target }) => change({ kind: "set", cameraSide: target.value as CameraSide })}
          >
            <option value="unknown">nobody knows</option>
            <option value="square">square: the bar’s ends hide one another</option>
            <option value="front">a little in front of them</option>
            <option value="behind">a little behind them</option>
          </select>
        </label>
        {field(
          "How far away",
          shown.units.length === "mm" ? `${marks.cameraMm / 1000} m` : shown.mm(marks.cameraMm, 0),
          (cameraMm) => change({ kind: "set", cameraMm }),
        )}
        {marks.disc &&
          field("Plate’s diameter", shown.mm(marks.disc.diameterMm, 1), (diameterMm) =>
            change({ kind: "disc", diameterMm }),
          )}
        {marks.scale &&
          field("Known distance", shown.mm(marks.scale.distanceMm, 1), (distanceMm) =>
            change({ kind: "scale", distanceMm }),
          )}
        {marks.scale && (
          <label className="grid gap-1">
            It lies along
            <select
              className="select w-40"
              value={marks.scale.along}
              onChange={({ target }) =>
                change({ kind: "scale", distanceMm: marks.scale!.distanceMm, along: target.value as ScaleAlong })
              }
            >
              <option value="upright">an upright</option>
              <option value="floor">the floor</option>
              <option value="other">something else</option>
            </select>
          </label>
        )}
      </div>
      <div className="flex flex-wrap gap-3">
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={marks.disc !== null}
            onChange={({ target }) => change(target.checked ? START_DISC : { kind: "disc", diameterMm: null })}
          />
          a plate is on the bar
        </label>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={marks.scale !== null}
            onChange={({ target }) => change(target.checked ? START_SCALE : { kind: "scale", distanceMm: null })}
          />
          two points a known distance apart
        </label>
      </div>
      <p className="text-quiet text-xs">
        <Say text="The plate’s disc gives the scale, and by its width against its height how far the camera stood out of square. An upright also says what is plumb." />
      </p>
    </details>
  );
}
