import { convertTyped, readTyped } from "@/core/units/typedQuantity";
import type { Build } from "@/core/balance/body";
import { readSetting, startingSetting, type Setting, type SetupOption } from "@/core/setups/setupOptions";
import { readMass } from "../kit/massInput";
import { href } from "../kit/search";

/** What the page of a bar's settings is asked, as its address says it. */
export interface SetupState {
  /** Key of a lifter; empty for anybody. */
  lifter: string;
  /** Who is looked at when no lifter is chosen. */
  build: Build;
  lift: string;
  /** Total on the bar. */
  loadKg: number;
  setting: Setting;
  /** Short name of a station; empty for none. */
  at: string;
  /** For a frame: diameter of the largest plate, knees, and what is wished. */
  plateMm: number;
  kneesMm: number | null;
  wishHeightMm: number | null;
  wishWidthMm: number | null;
}

export type SearchTexts = Record<string, string | undefined>;

const number = (text: string | undefined, least: number, most: number): number | null => {
  const value = text === undefined || text.trim() === "" ? NaN : Number(text.replace(",", "."));
  return value >= least && value <= most ? value : null;
};

/** A length or mass in any unit. */
function size(text: string | undefined, unit: "kg" | "mm", least: number, most: number): number | null {
  const typed = text ? readTyped(text, unit) : null;
  const value = typed ? convertTyped(typed) : NaN;
  return value >= least && value <= most ? value : null;
}

/** Heights said against a full plate ("+50") or from the floor ("275"), in mm from the floor. */
export function readWishedHeight(text: string | undefined): number | null {
  const said = text?.trim().replace("−", "-") ?? "";
  const typed = readTyped(said, "mm");
  const value = typed ? convertTyped(typed) : NaN;
  if (!(value >= -200 && value <= 1000)) return null;
  return /^[+-]/.test(said) || value === 0 ? 225 + value : value;
}

/** A state from an address; what is not understood is as the page starts. */
export function readSetupState(
  search: SearchTexts,
  {
    options,
    start,
    lift,
    loadKg,
  }: { options: readonly SetupOption[]; start: Setting | null; lift: string; loadKg: number },
): SetupState {
  const first = { ...startingSetting(options), ...start };
  const asked = Object.fromEntries(
    options.flatMap(({ key }) => {
      const value = search[key] ?? first[key];
      return value === undefined ? [] : [[key, value]];
    }),
  );
  const read = readSetting(options, asked);
  const mass = readMass(search.load, "kg");
  const isLoad = mass !== null && mass.kg > 0 && mass.kg <= 500;
  return {
    lifter: search.lifter ?? "",
    build: { heightMm: size(search.h, "mm", 1200, 2300) ?? 1800, massKg: size(search.m, "kg", 30, 200) ?? 85 },
    lift: search.lift || lift,
    loadKg: isLoad ? mass.kg : loadKg,
    setting: read.ok ? read.setting : startingSetting(options),
    at: search.at ?? "",
    plateMm: number(search.plate, 100, 600) ?? 450,
    kneesMm: size(search.knees, "mm", 200, 1200),
    wishHeightMm: readWishedHeight(search.height),
    wishWidthMm: size(search.width, "mm", 200, 1500),
  };
}

/** The address of a bar's setting; other parts of the question stay as they are. */
export function setupHref(tag: string, search: SearchTexts, setting: Setting, more: SearchTexts = {}): string {
  return href(`/setups/${encodeURIComponent(tag)}`, { ...search, like: undefined, ...setting, ...more });
}
