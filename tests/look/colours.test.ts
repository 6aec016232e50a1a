import {
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  parse,
  wcagContrast,
} from "culori";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { INKS } from "@/ui/compare/inks";
import { PLATE_LOOKS } from "@/ui/load/plateLooks";

/*
 * Colours as people see them who lack a kind of cone. Simulated by Machado, Oliveira and Fernandes, "A physiologically-
 * based model for simulation of color vision deficiency" (2009), whole deficiency, as the package culori has it; told
 * apart by CIEDE2000 (CIE 142-2001, ISO/CIE 11664-6); contrast by WCAG 2.2, 1.4.3 (text 4.5) and 1.4.11 (lines 3).
 */

type Hex = string;
const EYES = {
  usual: (hex: Hex) => parse(hex)!,
  "no long cones": (hex: Hex) => filterDeficiencyProt(1)(parse(hex)!),
  "no middle cones": (hex: Hex) => filterDeficiencyDeuter(1)(parse(hex)!),
  "no short cones": (hex: Hex) => filterDeficiencyTrit(1)(parse(hex)!),
};
const difference = differenceCiede2000();

/** The pair that is hardest to tell apart, for the eyes that find it hardest. */
function hardest(colours: Readonly<Record<string, Hex>>): { pair: string; by: number } {
  const names = Object.keys(colours);
  const pairs = Object.entries(EYES).flatMap(([eyes, seen]) =>
    names.flatMap((a, i) =>
      names.slice(0, i).map((b) => ({
        pair: `${a} and ${b}, ${eyes}`,
        by: difference(seen(colours[a]!), seen(colours[b]!)),
      })),
    ),
  );
  return pairs.reduce((worst, one) => (one.by < worst.by ? one : worst));
}

const contrast = (ink: Hex, ground: Hex) =>
  Math.min(...Object.values(EYES).map((seen) => wcagContrast(seen(ink), seen(ground))));

const css = readFileSync("src/app/globals.css", "utf8");
const [light = "", dark = ""] = css.split("color-scheme: dark");
const tokens = (part: string): Record<string, Hex> =>
  Object.fromEntries(
    [...part.matchAll(/--color-([a-z0-9-]+): (#[0-9a-f]{6});/g)].map(([, name, hex]) => [name!, hex!]),
  );
const inkOf = (isDark: boolean, name: string) => {
  const [, onLight, onDark] = new RegExp(`--${name}: light-dark\\((#[0-9a-f]{6}), (#[0-9a-f]{6})\\)`).exec(css)!;
  return isDark ? onDark! : onLight!;
};

/** A just noticeable difference is about 2; twice that and more is told apart at a glance side by side. */
const APART = { states: 12, plates: 15, inks: 6 };

describe.each([
  ["light", tokens(light), false],
  ["dark", tokens(dark), true],
] as const)("colours of the %s theme", (_, theme, isDark) => {
  const STATES = ["base-content", "primary", "accent", "success", "error"] as const;
  it("that say how something stands are told apart, whatever eyes look", () => {
    const worst = hardest(Object.fromEntries(STATES.map((name) => [name, theme[name]!])));
    expect(worst.by, worst.pair).toBeGreaterThan(APART.states);
  });
  it("are read as text on every ground", () => {
    for (const name of [...STATES, "secondary"])
      for (const ground of ["base-100", "base-200"])
        expect(contrast(theme[name]!, theme[ground]!), `${name} on ${ground}`).toBeGreaterThanOrEqual(4.5);
  });
  it("of compared bars are told apart, and each line has a dash of its own as well", () => {
    const colours = Object.fromEntries(
      INKS.map(({ color }) => {
        const [, name = ""] = /--([a-z-]+)/.exec(color)!;
        return [name, name.startsWith("ink-") ? inkOf(isDark, name) : theme[name.replace("color-", "")]!];
      }),
    );
    const worst = hardest(colours);
    expect(worst.by, worst.pair).toBeGreaterThan(APART.inks);
    for (const [name, hex] of Object.entries(colours))
      for (const ground of ["base-100", "base-200"])
        expect(contrast(hex, theme[ground]!), `${name} on ${ground}`).toBeGreaterThanOrEqual(4.5);
    expect(new Set(INKS.map(({ dash }) => dash)).size).toBe(INKS.length);
  });
});

describe("on paper and on plates", () => {
  it("a bar has the same ink on paper as on a light screen", () => {
    const theme = tokens(light);
    expect(INKS.map(({ paper }) => paper)).toEqual(
      INKS.map(({ color }) => {
        const [, name = ""] = /--([a-z-]+)/.exec(color)!;
        return name.startsWith("ink-") ? inkOf(false, name) : theme[name.replace("color-", "")];
      }),
    );
  });
  it("the competition colours of plates are told apart, and what is written on them is read", () => {
    const worst = hardest(Object.fromEntries(Object.entries(PLATE_LOOKS).map(([name, { fill }]) => [name, fill])));
    expect(worst.by, worst.pair).toBeGreaterThan(APART.plates);
    for (const [name, { fill, text }] of Object.entries(PLATE_LOOKS))
      expect(contrast(text, fill), name).toBeGreaterThanOrEqual(4.5);
  });
});
