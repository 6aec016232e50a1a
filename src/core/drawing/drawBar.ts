import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { drawnSizes, type DrawnSizes } from "./drawnSizes";
import { frameBar, frameFront } from "./frames";
import { raisedBar } from "./raised";
import { extentOf, type Drawing, type Shape, type View } from "./shapes";
import { sideView } from "./side";
import { straightBar } from "./straight";
import { zigzagBar } from "./zigzag";

/** How much thicker than life shafts and sleeves are drawn on the wall, so that 27 and 29 mm can be told apart. */
export const WALL_THICKNESS_FACTOR = 2;

/**
 * The view that tells most of a bar on the wall: frames and multi-grip bars from above, the rest from the front.
 *
 * @returns "front", "top" or "side"
 */
export function mainView(bar: Pick<Bar, "family">): View {
  const { form } = FAMILIES[bar.family];
  return form === "frame" || form === "multi-grip" ? "plan" : "front";
}

/**
 * Every view that shows something of a bar, the main one first.
 *
 * @returns views, the main one first
 */
export function viewsOf(bar: Pick<Bar, "family">): View[] {
  const { form } = FAMILIES[bar.family];
  if (form === "straight" || form === "zigzag") return ["front"];
  return mainView(bar) === "plan" ? ["plan", "front", "side"] : ["front", "side"];
}

/**
 * A bar as shapes in mm on its centre line, from its own measurements; what is unknown is drawn at the usual size
 * of its family and named in `assumed`. Lengths along the bar, camber and frame are to scale; in front and plan views
 * thicknesses are multiplied by the factor. A side view is to scale throughout.
 *
 * @throws RangeError for a view that the bar does not have.
 * @returns shapes in mm, x from the middle, y up, and what was assumed
 */
export function drawBar(bar: Bar, thicknessFactor = WALL_THICKNESS_FACTOR, view: View = mainView(bar)): Drawing {
  const sizes = drawnSizes(bar);
  const shapes = view === "side" ? sideView(bar, sizes) : alongBar(bar, sizes, thicknessFactor, view);
  if (!shapes) throw new RangeError(`a ${bar.family} bar has no ${view} view`);
  return {
    view,
    shapes,
    extent: extentOf(shapes),
    thicknessFactor: view === "side" ? 1 : thicknessFactor,
    assumed: sizes.assumed,
  };
}

function alongBar(bar: Bar, sizes: DrawnSizes, factor: number, view: View): Shape[] {
  switch (FAMILIES[bar.family].form) {
    case "straight":
      return straightBar(bar, sizes, factor);
    case "yoke":
    case "cambered":
    case "bowed":
      return raisedBar(bar, sizes, factor);
    case "frame":
    case "multi-grip":
      return view === "plan" ? frameBar(bar, sizes, factor) : frameFront(bar, sizes, factor);
    case "zigzag":
      return zigzagBar(sizes, factor);
  }
}
