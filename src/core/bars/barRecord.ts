import type { Problem } from "../problem";
import { trimmed } from "../units/format";
import { computingUnit, convertTyped, readTyped, type TypedQuantity } from "../units/typedQuantity";
import type { Alloy, BarState, CentreKnurl, Finish, Knurl, RatingBasis, RingMarks, SleeveRotation } from "./bar";
import { BAR_FIELDS, FIELD_KEYS, hasField, type FieldDef, type FieldKey } from "./barFields";
import { FAMILIES, type FamilyKey } from "./families";
import { fieldText, readField, type FieldValue } from "./fieldText";
import { measurableKinds, QUANTITIES, QUANTITY_KINDS, quantityLabel, type QuantityKind } from "./quantities";

/** What somebody enters of a bar: every field, and what the seller states of its quantities, as typed. */
export interface BarRecord {
  tag: string;
  name: string;
  family: FamilyKey;
  state: BarState;
  stateReason: string | null;
  chartVersion: string | null;
  note: string | null;
  supplier: string | null;
  batch: string | null;
  boughtOn: string | null;
  /** In whole minor units of the hall's currency. */
  price: number | null;
  stock: string | null;
  /** In whole minor units of the hall's currency. */
  saving: number | null;
  /** Day on which a bar on order is expected. */
  expectedOn: string | null;
  warrantyUntil: string | null;
  doesOpeningVoidWarranty: boolean | null;
  place: string | null;
  hangsHow: string | null;
  sticksOut: string | null;
  placeSlot: number | null;
  hangsWay: string | null;
  handlesPoint: string | null;
  sticksOutMm: number | null;
  swingMm: number | null;
  paintMarks: readonly string[] | null;
  looseParts: readonly string[] | null;
  alloy: Alloy | null;
  elasticModulusGPa: number | null;
  tensileMPa: number | null;
  yieldMPa: number | null;
  hardness: string | null;
  finish: Finish | null;
  sleeveFinish: Finish | null;
  knurl: Knurl | null;
  knurlShape: string | null;
  centreKnurl: CentreKnurl | null;
  ringMarks: RingMarks | null;
  plainGapMm: number | null;
  sleeveRotation: SleeveRotation | null;
  bearingsPerSide: number | null;
  sleeveRetention: string | null;
  sleeveService: string | null;
  areSleevesGrooved: boolean | null;
  rating: TypedQuantity | null;
  ratingBasis: RatingBasis | null;
  hardLimit: TypedQuantity | null;
  camberMotion: string | null;
  areHandlesRemovable: boolean | null;
  staysByItself: boolean | null;
  padding: string | null;
  padShape: string | null;
  handleShape: string | null;
  gripOptions: readonly string[] | null;
  canBeRacked: boolean | null;
  stated: Partial<Record<QuantityKind, TypedQuantity>>;
}

/**
 * The text map's key for what the seller states of a quantity.
 *
 * @returns "stated." and the quantity
 */
export const statedKey = (kind: QuantityKind) => `stated.${kind}`;

/**
 * A record as text, field by field; what is unknown is left out. `readBarRecord` reads it back.
 *
 * @returns texts by field
 */
export function recordTexts(record: BarRecord): Record<string, string> {
  const texts: Record<string, string> = {};
  for (const key of FIELD_KEYS) {
    const text = fieldText(BAR_FIELDS[key], record[key] as FieldValue | null);
    if (text !== "") texts[key] = text;
  }
  for (const kind of QUANTITY_KINDS) {
    const typed = record.stated[kind];
    if (typed) texts[statedKey(kind)] = `${typed.value} ${typed.unit}`;
  }
  return texts;
}

export type ReadRecord = { ok: true; record: BarRecord } | { ok: false; problems: Problem[] };

/**
 * A record from texts by field, as a form sends them or a file says them. Every problem is listed, and nothing is
 * guessed. Fields that a bar of this family does not have are refused when they say something.
 *
 * @returns the record, or every problem with its field
 */
export function readBarRecord(texts: Readonly<Record<string, string | undefined>>): ReadRecord {
  const problems: Problem[] = [];
  const values: Partial<Record<FieldKey, FieldValue | null>> = {};
  for (const key of FIELD_KEYS) {
    const read = readField(BAR_FIELDS[key], texts[key] ?? "");
    if (read.ok) values[key] = read.value;
    else problems.push({ path: key, message: `${BAR_FIELDS[key].label}: ${read.message}` });
  }
  const stated: BarRecord["stated"] = {};
  for (const kind of QUANTITY_KINDS) {
    const text = (texts[statedKey(kind)] ?? "").trim();
    if (text === "") continue;
    const typed = readStated(kind, text);
    if (typeof typed === "string") problems.push({ path: statedKey(kind), message: typed });
    else stated[kind] = typed;
  }
  problems.push(...acrossFields(values, stated));
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, record: { ...(values as Omit<BarRecord, "stated">), stated } };
}

/** What one quantity is stated as, or what is wrong with the text. */
function readStated(kind: QuantityKind, text: string): TypedQuantity | string {
  const { label, unit, range } = QUANTITIES[kind];
  const typed = readTyped(text, unit);
  if (!typed || computingUnit(typed.unit) !== unit)
    return `${label}: “${text}” is no number in ${unit === "kg" ? "kg or lb" : unit === "mm" ? "mm, cm or in" : unit}`;
  const value = convertTyped(typed);
  return value >= range[0] && value <= range[1]
    ? typed
    : `${label}: ${text} cannot be true of a bar; ${range[0]} to ${trimmed(range[1], 0)} ${unit}`;
}

function acrossFields(values: Partial<Record<FieldKey, FieldValue | null>>, stated: BarRecord["stated"]): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  if (values.ratingBasis && !values.rating) say("rating", "load rating: give the figure, or leave the basis open");
  if (values.rating && !values.ratingBasis) say("ratingBasis", "say what the rating counts; unknown is an answer");
  if (values.state && values.state !== "in-service" && !values.stateReason)
    say("stateReason", "say why it is not in service; it is saved with the bar");
  if (values.state === "in-service" && values.stateReason)
    say("stateReason", "a bar in service needs no reason; put it into the note");
  const family = values.family as FamilyKey | null | undefined;
  if (!family) return problems;
  const { form, name } = FAMILIES[family];
  for (const key of FIELD_KEYS)
    if (values[key] !== null && values[key] !== undefined && !hasField(key, form))
      say(key, `${(BAR_FIELDS[key] as FieldDef).label}: a ${name} has none`);
  const measurable = measurableKinds(form, values.sleeveRotation === "fixed");
  for (const kind of QUANTITY_KINDS)
    if (stated[kind] && !measurable.includes(kind))
      say(statedKey(kind), `${quantityLabel(kind, form)}: a ${name} has none`);
  return problems;
}

/**
 * Texts that differ between two records: what was and what is; an unknown value is an empty text.
 *
 * @returns texts by field that differ, as they were and as they are
 */
export function differingTexts(
  before: Readonly<Record<string, string>>,
  after: Readonly<Record<string, string>>,
): { before: Record<string, string>; after: Record<string, string> } {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (key) => before[key] !== after[key],
  );
  const pick = (texts: Readonly<Record<string, string>>) =>
    Object.fromEntries(keys.map((key) => [key, texts[key] ?? ""]));
  return { before: pick(before), after: pick(after) };
}

/**
 * The words for a text map's key on a page: "shaft finish", "mass, stated".
 *
 * @returns words in small letters
 */
export function recordLabel(key: string): string {
  if (Object.hasOwn(BAR_FIELDS, key)) return BAR_FIELDS[key as FieldKey].label;
  const kind = QUANTITY_KINDS.find((one) => statedKey(one) === key);
  return kind ? `${QUANTITIES[kind].label}, stated` : key;
}
