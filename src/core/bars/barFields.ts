import {
  ALLOYS,
  BAR_STATES,
  CENTRE_KNURLS,
  finishName,
  FINISHES,
  KNURLS,
  RATING_BASES,
  RING_MARKS,
  SLEEVE_ROTATIONS,
} from "./bar";
import { FAMILIES, FAMILY_ALSO_CALLED, FAMILY_KEYS, type BarForm } from "./families";

/** Where a field stands on a form and a page. */
export const FIELD_GROUPS = [
  "identity",
  "bought",
  "keeping",
  "material",
  "knurl",
  "sleeves",
  "rating",
  "geometry",
] as const;
export type FieldGroup = (typeof FIELD_GROUPS)[number];

interface Common {
  label: string;
  group: FieldGroup;
  /** Forms that have it; every bar when not said. */
  forms?: readonly BarForm[];
  isRequired?: true;
  /** A few words beside the field. */
  hint?: string;
}

/** How a field is written and what it may hold. */
export type FieldDef = Common &
  (
    | { kind: "text"; most: number }
    | {
        kind: "choice";
        of: readonly string[];
        words?: Readonly<Record<string, string>>;
        /** What else people call each; read, never shown. */
        also?: Readonly<Record<string, readonly string[]>>;
      }
    /** Any of several; written as their keys. */
    | { kind: "choices"; of: readonly string[]; words?: Readonly<Record<string, string>> }
    | { kind: "day" }
    | {
        kind: "number";
        unit: "mm" | "MPa" | "GPa" | "kg" | "min" | "";
        range: readonly [number, number];
        isWhole?: true;
      }
    | { kind: "mass" }
    | { kind: "money" }
    | { kind: "yes-no" }
    | { kind: "list"; most: number; mostEach: number }
  );

export const STOCKS = ["new", "used", "blemished"] as const;
export const KNURL_SHAPES = ["hill", "flat-top", "crater"] as const;
export const PAD_SHAPES = ["round", "flat", "wedge", "wrapped"] as const;
export const HANDLE_SHAPES = ["straight", "angled", "cambered", "wrapped", "loop"] as const;
/** Whether somebody may open a sleeve at all; who may is the maker's to say. */
export const SLEEVE_SERVICES = ["retained", "serviceable"] as const;
export const CAMBER_MOTIONS = ["rigid", "swings"] as const;
/** How a bar may hang, and where its handles point then. */
export const HANGS_WAYS = ["horizontal", "vertical", "either"] as const;
export const HANDLES_POINT = ["wall", "room", "along", "up", "down"] as const;

const FAMILY_NAMES = Object.fromEntries(FAMILY_KEYS.map((key) => [key, FAMILIES[key].name]));
const RAISED: readonly BarForm[] = ["yoke", "cambered", "bowed"];
const ADJUSTS: readonly BarForm[] = ["yoke", "frame"];
const GRIPPED: readonly BarForm[] = ["multi-grip", "frame", "zigzag", "bowed"];
const WITH_PARTS: readonly BarForm[] = ["yoke", "cambered", "frame", "multi-grip"];
const KNURLED: readonly BarForm[] = ["straight", "cambered", "bowed", "zigzag", "multi-grip", "frame"];

/** What a bar cost and who sold it: for whoever buys, and not for everybody who edits bars. */
export const MONEY_FIELDS = ["supplier", "price", "saving"] as const;

/**
 * Everything that is kept of a bar beside its measured quantities (handbook §3). Forms, pages, history, import and
 * export all follow this one list.
 */
export const BAR_FIELDS = {
  tag: field("identity", "tag", { kind: "text", most: 12, isRequired: true, hint: "stencilled on the end cap, short" }),
  name: field("identity", "name", { kind: "text", most: 60, isRequired: true }),
  family: field("identity", "family", {
    kind: "choice",
    of: FAMILY_KEYS,
    words: FAMILY_NAMES,
    also: FAMILY_ALSO_CALLED,
    isRequired: true,
  }),
  state: field("identity", "state", { kind: "choice", of: BAR_STATES, isRequired: true }),
  stateReason: field("identity", "reason for the state", { kind: "text", most: 200 }),
  chartVersion: field("identity", "version", {
    kind: "text",
    most: 30,
    forms: ADJUSTS,
    hint: "where its setting chart depends on it",
  }),
  note: field("identity", "note", { kind: "text", most: 500 }),

  supplier: field("bought", "supplier", { kind: "text", most: 60 }),
  batch: field("bought", "batch or serial", { kind: "text", most: 60 }),
  boughtOn: field("bought", "bought on", { kind: "day" }),
  price: field("bought", "price", { kind: "money" }),
  stock: field("bought", "stock", { kind: "choice", of: STOCKS }),
  saving: field("bought", "saved against new", { kind: "money", hint: "of blemished or used stock" }),
  expectedOn: field("bought", "expected on", { kind: "day", hint: "of a bar on order" }),
  warrantyUntil: field("bought", "warranty until", { kind: "day" }),
  doesOpeningVoidWarranty: field("bought", "opening a sleeve voids it", { kind: "yes-no" }),

  place: field("keeping", "hangs at", { kind: "text", most: 60 }),
  hangsHow: field("keeping", "how it must hang", { kind: "text", most: 120 }),
  sticksOut: field("keeping", "what sticks out", { kind: "text", most: 120 }),
  placeSlot: field("keeping", "peg", {
    kind: "number",
    unit: "",
    range: [1, 60],
    isWhole: true,
    hint: "counted at its place",
  }),
  hangsWay: field("keeping", "hangs", { kind: "choice", of: HANGS_WAYS }),
  handlesPoint: field("keeping", "handles point", {
    kind: "choice",
    of: HANDLES_POINT,
    forms: WITH_PARTS,
    hint: "when it hangs",
  }),
  sticksOutMm: field("keeping", "sticks out by", { kind: "number", unit: "mm", range: [0, 2000] }),
  swingMm: field("keeping", "swings by", { kind: "number", unit: "mm", range: [0, 2000] }),
  paintMarks: field("keeping", "paint marks", {
    kind: "list",
    most: 12,
    mostEach: 60,
    hint: "one a line: red dot = hole 3",
  }),
  looseParts: field("keeping", "loose parts", {
    kind: "list",
    most: 12,
    mostEach: 60,
    forms: WITH_PARTS,
    hint: "one a line, counted when it is put away: 2 pins",
  }),

  alloy: field("material", "alloy", { kind: "choice", of: ALLOYS }),
  elasticModulusGPa: field("material", "Young’s modulus", {
    kind: "number",
    unit: "GPa",
    range: [1, 1000],
    hint: "only when it is not the alloy’s usual one",
  }),
  tensileMPa: field("material", "tensile strength", { kind: "number", unit: "MPa", range: [1, 5000] }),
  yieldMPa: field("material", "yield strength", { kind: "number", unit: "MPa", range: [1, 5000] }),
  hardness: field("material", "hardness", { kind: "text", most: 30 }),
  finish: field("material", "shaft finish", {
    kind: "choice",
    of: FINISHES,
    words: { "e-coat": finishName("e-coat") },
  }),
  sleeveFinish: field("material", "sleeve finish", {
    kind: "choice",
    of: FINISHES,
    words: { "e-coat": finishName("e-coat") },
  }),

  knurl: field("knurl", "knurl", { kind: "choice", of: KNURLS, forms: KNURLED }),
  knurlShape: field("knurl", "knurl shape", { kind: "choice", of: KNURL_SHAPES, forms: KNURLED }),
  centreKnurl: field("knurl", "centre knurl", { kind: "choice", of: CENTRE_KNURLS, forms: ["straight"] }),
  ringMarks: field("knurl", "ring marks", { kind: "choice", of: RING_MARKS, forms: ["straight"] }),
  plainGapMm: field("knurl", "plain gap beside the collar", {
    kind: "number",
    unit: "mm",
    range: [0, 500],
    forms: ["straight"],
  }),

  sleeveRotation: field("sleeves", "sleeves turn on", { kind: "choice", of: SLEEVE_ROTATIONS }),
  bearingsPerSide: field("sleeves", "bearings or cartridges per side", {
    kind: "number",
    unit: "",
    range: [0, 20],
    isWhole: true,
  }),
  sleeveRetention: field("sleeves", "retained by", { kind: "text", most: 60, hint: "snap ring, bolt, screw" }),
  sleeveService: field("sleeves", "sleeve can be", {
    kind: "choice",
    of: SLEEVE_SERVICES,
    words: { retained: "retained: for its maker only", serviceable: "serviceable: taken apart and put together" },
    hint: "opening one is skilled work and may void the warranty",
  }),
  areSleevesGrooved: field("sleeves", "grooved sleeves", { kind: "yes-no", hint: "louder" }),

  rating: field("rating", "load rating", { kind: "mass", hint: "the seller’s; 700 lb or 320 kg" }),
  ratingBasis: field("rating", "the rating counts", {
    kind: "choice",
    of: RATING_BASES,
    hint: "unknown: the stricter reading counts",
  }),
  hardLimit: field("rating", "hard limit", { kind: "mass", hint: "counts even where the rating is higher" }),

  camberMotion: field("geometry", "camber", { kind: "choice", of: CAMBER_MOTIONS, forms: ["cambered"] }),
  areHandlesRemovable: field("geometry", "handles come off", { kind: "yes-no", forms: ["yoke", "cambered", "frame"] }),
  staysByItself: field("geometry", "stays on without hands", {
    kind: "yes-no",
    forms: ["yoke"],
    hint: "handles that wrap round the body hold it in both directions; blank: low safety squat bars do",
  }),
  padding: field("geometry", "yoke and pads", { kind: "text", most: 120, forms: ["yoke", "cambered"] }),
  padShape: field("geometry", "pad shape", { kind: "choice", of: PAD_SHAPES, forms: ["yoke", "cambered"] }),
  handleShape: field("geometry", "handle shape", {
    kind: "choice",
    of: HANDLE_SHAPES,
    forms: WITH_PARTS,
  }),
  gripOptions: field("geometry", "grips", {
    kind: "list",
    most: 16,
    mostEach: 40,
    forms: GRIPPED,
    hint: "one a line: 440 mm apart, 15°",
  }),
  canBeRacked: field("geometry", "can be racked", { kind: "yes-no", forms: [...RAISED, "frame", "multi-grip"] }),
} satisfies Record<string, FieldDef>;

export type FieldKey = keyof typeof BAR_FIELDS;
export const FIELD_KEYS = Object.keys(BAR_FIELDS) as FieldKey[];

/**
 * Whether a bar of a form has the field.
 *
 * @returns true where the form has such a part
 */
export function hasField(key: FieldKey, form: BarForm): boolean {
  const { forms } = BAR_FIELDS[key] as FieldDef;
  return forms === undefined || forms.includes(form);
}

function field<const T extends object>(group: FieldGroup, label: string, more: T) {
  return { group, label, ...more };
}
