import type { FieldDef } from "../bars/barFields";
import { PLATE_MATERIALS } from "../loading/plateKind";

export const STATION_KINDS = ["rack", "bench", "platform", "floor"] as const;

const KEY_HINT = "short and steady: r25, i45lb";

/** What is kept of plates that are alike (handbook §3). */
export const PLATE_FIELDS = {
  key: { kind: "text", most: 20, group: "identity", label: "short name", isRequired: true, hint: KEY_HINT },
  mass: {
    kind: "mass",
    group: "identity",
    label: "nominal mass",
    isRequired: true,
    hint: "as written on it: 25 kg, 45 lb",
  },
  material: { kind: "choice", of: PLATE_MATERIALS, group: "material", label: "material" },
  diameterMm: { kind: "number", unit: "mm", range: [1, 1000], group: "geometry", label: "diameter" },
  thicknessMm: { kind: "number", unit: "mm", range: [1, 300], group: "geometry", label: "thickness" },
  pairs: {
    kind: "number",
    unit: "",
    range: [0, 100],
    isWhole: true,
    group: "identity",
    label: "pairs owned",
    isRequired: true,
  },
  isDropRated: { kind: "yes-no", group: "rating", label: "may be dropped" },
  colour: { kind: "text", most: 20, group: "material", label: "colour" },
} as const satisfies Record<string, FieldDef>;

export const CLAMP_FIELDS = {
  key: { kind: "text", most: 20, group: "identity", label: "short name", isRequired: true },
  name: { kind: "text", most: 60, group: "identity", label: "name", isRequired: true },
  pairMass: { kind: "mass", group: "identity", label: "mass of a pair", isRequired: true },
  widthMm: {
    kind: "number",
    unit: "mm",
    range: [0, 200],
    group: "geometry",
    label: "length on the sleeve, each",
    isRequired: true,
  },
  pairs: {
    kind: "number",
    unit: "",
    range: [0, 100],
    isWhole: true,
    group: "identity",
    label: "pairs owned",
    isRequired: true,
  },
} as const satisfies Record<string, FieldDef>;

export const STATION_FIELDS = {
  key: { kind: "text", most: 20, group: "identity", label: "short name", isRequired: true },
  name: { kind: "text", most: 60, group: "identity", label: "name", isRequired: true },
  kind: { kind: "choice", of: STATION_KINDS, group: "identity", label: "kind", isRequired: true },
  supportSpacingMm: {
    kind: "number",
    unit: "mm",
    range: [100, 3000],
    group: "geometry",
    label: "between the J-cups",
    hint: "between the points where the bar rests",
  },
  holePitchMm: { kind: "number", unit: "mm", range: [1, 500], group: "geometry", label: "hole pitch" },
  firstHoleMm: { kind: "number", unit: "mm", range: [0, 2500], group: "geometry", label: "first hole above the floor" },
  ratedKg: {
    kind: "number",
    unit: "kg",
    range: [20, 3000],
    group: "rating",
    label: "holds at most",
    hint: "bar and plates; the least of rack, J-cups, safeties and bench, as their makers say",
  },
  nearPlace: {
    kind: "text",
    most: 60,
    group: "identity",
    label: "bars hang nearest at",
    hint: "the name of a place, as bars have it",
  },
  jCupPairs: {
    kind: "number",
    unit: "",
    range: [0, 20],
    isWhole: true,
    group: "identity",
    label: "pairs of J-cups",
    isRequired: true,
  },
  jCupHoles: {
    kind: "list",
    most: 20,
    mostEach: 4,
    group: "geometry",
    label: "they sit in holes",
    hint: "one number a line, counted from the lowest; a spare pair can store a bar",
  },
} as const satisfies Record<string, FieldDef>;

export type EquipmentKind = "plate" | "clamp" | "station";
export const EQUIPMENT_FIELDS = { plate: PLATE_FIELDS, clamp: CLAMP_FIELDS, station: STATION_FIELDS };
