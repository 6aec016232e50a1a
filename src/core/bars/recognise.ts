import { FAMILIES } from "./families";
import { type Bar, valueOf } from "./bar";

/** Collars from here on look thick beside others. Common practice, no source. */
const THICK_COLLAR_MM = 40;
const RINGS: Record<string, string> = {
  powerlifting: "rings 810 mm apart",
  weightlifting: "rings 910 mm apart",
  dual: "two pairs of rings",
};

/**
 * What tells a bar from its neighbours at arm's length: what an eye and a hand find, nothing that needs a tool.
 *
 * @returns a few words each, the plainest first; lengths in mm
 */
export function recognisedBy(bar: Bar): string[] {
  const { form, name } = FAMILIES[bar.family];
  const [shaft, collar] = [valueOf(bar, "shaftDiameter"), valueOf(bar, "collarThickness")];
  return [
    ...(form === "straight" ? [] : [name]),
    ...(shaft === null ? [] : [`${Math.round(shaft * 2) / 2} mm shaft`]),
    ...(collar === null || form !== "straight" ? [] : [collar >= THICK_COLLAR_MM ? "thick collars" : "slim collars"]),
    ...(bar.centreKnurl === "full"
      ? ["knurled in the middle"]
      : bar.centreKnurl === "passive"
        ? ["a light knurl in the middle"]
        : bar.centreKnurl === "none"
          ? ["smooth in the middle"]
          : []),
    ...(bar.ringMarks && RINGS[bar.ringMarks] ? [RINGS[bar.ringMarks]!] : []),
  ];
}
