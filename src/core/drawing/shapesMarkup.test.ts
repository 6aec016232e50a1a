import { expect, it } from "vitest";
import { FAMILY_KEYS } from "../bars/families";
import { MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import { drawBar } from "./drawBar";
import { shapesMarkup } from "./shapesMarkup";
import { svgText } from "./svgText";

const barOf = (family: (typeof FAMILY_KEYS)[number]) =>
  testBar({ ...MENS_BAR, camberDrop: stated(300), camberForward: stated(60), frameWidth: stated(700) } as never, {
    family,
  });

it.each(FAMILY_KEYS)(
  "%s: as many elements on screen as in the file, and nothing but numbers and known words in them",
  (family) => {
    const { shapes, extent } = drawBar(barOf(family));
    const markup = shapesMarkup(shapes);
    const elements = markup.match(/<(rect|polyline) /g) ?? [];
    expect(elements).toHaveLength(shapes.length);
    const file = svgText({ extent, shapes, title: "x" }, 200);
    // The file has one rect more: its paper.
    expect(file.match(/<(rect|polyline) /g)).toHaveLength(shapes.length + 1);
    expect(markup).not.toMatch(/NaN|undefined|Infinity/);
    expect(markup.replace(/<(rect|polyline) [a-z-]+="[^"<>&]*"( [a-z-]+="[^"<>&]*")*\/>/g, "")).toBe("");
  },
);

it("turns y over and keeps a tenth of a millimetre", () =>
  expect(
    shapesMarkup([
      { kind: "rect", role: "sleeve", x: 10.04, y: 20, width: 30.06, height: 5 },
      {
        kind: "tube",
        role: "tube",
        points: [
          [0, 1],
          [2.26, -3],
        ],
        thickness: 28,
      },
    ] as never),
  ).toBe(
    '<rect class="sleeve" x="10" y="-25" width="30.1" height="5"/><polyline class="tube" points="0,-1 2.3,3" stroke-width="28"/>',
  ));
