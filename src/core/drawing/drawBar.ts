import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { drawnSizes } from "./drawnSizes";
import { frameBar } from "./frames";
import { raisedBar } from "./raised";
import { extentOf, type Drawing, type Shape } from "./shapes";
import { straightBar } from "./straight";
import { zigzagBar } from "./zigzag";

/** How much thicker than life shafts and sleeves are drawn on the wall, so that 27 and 29 mm can be told apart. */
export const WALL_THICKNESS_FACTOR = 2;

/**
 * A bar as shapes in mm on its centre line, from its own measurements; what is unknown is drawn at the usual size
 * of its family and named in `assumed`. Lengths along the bar, camber and frame are to scale; thicknesses are
 * multiplied by the factor.
 */
export function drawBar(bar: Bar, thicknessFactor = WALL_THICKNESS_FACTOR): Drawing {
  const sizes = drawnSizes(bar);
  const { form } = FAMILIES[bar.family];
  const shapes = ((): Shape[] => {
    switch (form) {
      case "straight":
        return straightBar(bar, sizes, thicknessFactor);
      case "yoke":
      case "cambered":
      case "bowed":
        return raisedBar(bar, sizes, thicknessFactor);
      case "frame":
      case "multi-grip":
        return frameBar(bar, sizes, thicknessFactor);
      case "zigzag":
        return zigzagBar(sizes, thicknessFactor);
    }
  })();
  return {
    view: form === "frame" || form === "multi-grip" ? "plan" : "front",
    shapes,
    extent: extentOf(shapes),
    thicknessFactor,
    assumed: sizes.assumed,
  };
}
