import type { Bar } from "../bars/bar";
import { findSetting } from "./armChart";
import type { SetupChart } from "./chartFields";
import { armSettingOf, type Setting } from "./setupOptions";

/**
 * The bar as it is when set: an adjustable yoke bar's camber is where its arms stand, so that drawing, balance and rack
 * heights all speak of this setting. Other bars stay as they are.
 *
 * @returns a bar with its camber in mm as set; the one given is not changed
 */
export function barAtSetting<B extends Bar>(bar: B, chart: SetupChart | null, setting: Setting): B {
  const place = chart?.kind === "arm" ? findSetting(chart, armSettingOf(setting)) : null;
  if (!place) return bar;
  return {
    ...bar,
    quantities: {
      ...bar.quantities,
      camberForward: { value: place.forwardMm, source: "measured" },
      camberDrop: { value: place.dropMm, source: "measured" },
    },
  };
}
