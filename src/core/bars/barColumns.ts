import { isHallDay } from "../units/hallDay";
import { readReadings } from "../units/readReadings";
import { convertTyped, type TypedQuantity, type Unit } from "../units/typedQuantity";
import { BAR_FIELDS, FIELD_KEYS, type FieldDef } from "./barFields";
import { recordLabel, statedKey } from "./barRecord";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "./quantities";

/** A measurement as files carry it. */
export interface FileMeasurement {
  kind: QuantityKind;
  readings: TypedQuantity[];
  instrument: string;
  /** ISO moment, or a day; null when the file does not say. */
  at: string | null;
  /** Who measured; null when the file does not say. */
  by: string | null;
}

/**
 * The column of what was measured of a quantity.
 *
 * @returns the column's name, "measured." and the quantity
 */
export const measuredKey = (kind: QuantityKind) => `measured.${kind}`;

/** Every column that a file of bars may have, in the order in which one is written. */
export const BAR_COLUMNS: readonly string[] = [
  ...FIELD_KEYS,
  ...QUANTITY_KINDS.map(statedKey),
  ...QUANTITY_KINDS.map(measuredKey),
];

/**
 * What a column is called.
 *
 * @returns the head for people
 */
export function columnLabel(column: string): string {
  const kind = QUANTITY_KINDS.find((one) => measuredKey(one) === column);
  return kind ? `${QUANTITIES[kind].label}, measured` : recordLabel(column);
}

/**
 * The unit in which plain numbers of a column may be written, the computing one first; none where units say nothing.
 *
 * @returns units, the computing one first; empty where units say nothing
 */
export function columnUnits(column: string): readonly Unit[] {
  const kind = QUANTITY_KINDS.find((one) => statedKey(one) === column || measuredKey(one) === column);
  if (kind) return UNITS_OF[QUANTITIES[kind].unit];
  const def: FieldDef | undefined = BAR_FIELDS[column as keyof typeof BAR_FIELDS];
  if (def?.kind === "mass") return UNITS_OF.kg;
  return def?.kind === "number" && def.unit === "mm" ? UNITS_OF.mm : [];
}

const UNITS_OF = { kg: ["kg", "lb"], mm: ["mm", "cm", "in"], s: ["s"] } as const;

/**
 * "19.6 · 19.62 kg ; scale ; 2026-10-16T09:00:00.000Z ; Maren Tidewell": a measurement in one cell.
 *
 * @returns one cell
 */
export function measurementText({ readings, instrument, at, by }: FileMeasurement): string {
  const values = readings.map(({ value }) => value).join(" · ");
  const parts = [`${values} ${readings[0]!.unit}`, instrument, at ?? "", by ?? ""];
  while (parts.at(-1) === "") parts.pop();
  return parts.map((part) => part.replaceAll(";", ",")).join(" ; ");
}

/**
 * Reads what `measurementText` writes; a plain "19.6" or "19.6 19.7 kg" will do. Answers what is wrong as text.
 *
 * @returns the measurement with its readings as typed, or what is wrong with the text
 */
export function readMeasurement(kind: QuantityKind, text: string): FileMeasurement | string {
  const { unit, range, label, spots } = QUANTITIES[kind];
  const [said = "", instrument = "", at = "", by = ""] = text.split(" ; ").map((part) => part.trim());
  const read = readReadings(said, unit);
  if (!read.ok || read.readings.length === 0) return `${label}, measured: “${said}” is no reading in ${unit}`;
  if (read.readings.length > spots.length) return `${label}, measured: at most ${spots.length} readings`;
  if (new Set(read.readings.map((one) => one.unit)).size > 1) return `${label}, measured: all readings in one unit`;
  const wild = read.readings.find((one) => !(convertTyped(one) >= range[0] && convertTyped(one) <= range[1]));
  if (wild) return `${label}, measured: ${wild.value} ${wild.unit} cannot be true of a bar`;
  if (at !== "" && !isHallDay(at.slice(0, 10))) return `${label}, measured: “${at}” is no moment; write YYYY-MM-DD`;
  if (at !== "" && Number.isNaN(Date.parse(at))) return `${label}, measured: “${at}” is no moment`;
  return {
    kind,
    readings: read.readings,
    instrument: instrument || QUANTITIES[kind].instrument,
    at: at || null,
    by: by || null,
  };
}

export interface ColumnMapping {
  /** The file's head for the column. */
  head: string;
  /** The column of ours, or null to leave it out. */
  column: string | null;
  /** What plain numbers in it are in; null where that says nothing. */
  unit: Unit | null;
}

/** Words by which people head their columns. Common practice, no source. */
const ALSO_CALLED: Record<string, string> = {
  id: "tag",
  bar: "tag",
  label: "tag",
  number: "tag",
  type: "family",
  kind: "family",
  status: "state",
  location: "place",
  rack: "place",
  vendor: "supplier",
  seller: "supplier",
  serial: "batch",
  lot: "batch",
  purchased: "boughtOn",
  cost: "price",
  weight: "stated.mass",
  mass: "stated.mass",
  diameter: "stated.shaftDiameter",
  shaft: "stated.shaftDiameter",
  length: "stated.overallLength",
  collar: "stated.collarThickness",
  sleeve: "stated.sleeveLength",
  sleeves: "sleeveRotation",
  rotation: "sleeveRotation",
  coating: "finish",
  knurling: "knurl",
  marks: "ringMarks",
  "max load": "rating",
  capacity: "rating",
  comment: "note",
  comments: "note",
  notes: "note",
};

const UNIT_WORDS: [RegExp, Unit][] = [
  [/\b(lbs?|pounds?)\b/i, "lb"],
  [/\b(kgs?|kilos?|kilograms?)\b/i, "kg"],
  [/\b(in|inch|inches)\b|["″]/i, "in"],
  [/\bcm\b/i, "cm"],
  [/\bmm\b/i, "mm"],
];

/**
 * Which of our columns each column of a file is, by its head; every column of ours at most once. The unit comes from
 * the head ("Shaft (mm)", "Weight lb"), else it is the computing one. What is not understood is left for the person.
 *
 * @returns one mapping for each head, in order; its column is null where none fits
 */
export function guessColumns(heads: readonly string[]): ColumnMapping[] {
  const taken = new Set<string>();
  return heads.map((head) => {
    const column = guessColumn(head);
    if (column === null || taken.has(column)) return { head, column: null, unit: null };
    taken.add(column);
    const units = columnUnits(column);
    const said = UNIT_WORDS.find(([words]) => words.test(head))?.[1];
    return { head, column, unit: said && units.includes(said) ? said : (units[0] ?? null) };
  });
}

function guessColumn(head: string): string | null {
  if (BAR_COLUMNS.includes(head.trim())) return head.trim();
  const bare = UNIT_WORDS.reduce((text, [words]) => text.replace(words, " "), head)
    .toLowerCase()
    .replace(/[^a-z0-9’]+/g, " ")
    .trim();
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replace(/[^a-z0-9’]+/g, " ")
      .trim();
  const exact = BAR_COLUMNS.find((column) => plain(columnLabel(column)) === bare);
  if (exact) return exact;
  const stated = QUANTITY_KINDS.find((kind) => plain(QUANTITIES[kind].label) === bare);
  return stated ? statedKey(stated) : (ALSO_CALLED[bare] ?? null);
}

/**
 * A file's row as texts by our columns; plain numbers get their column's unit. Empty cells say nothing.
 *
 * @returns texts by our columns
 */
export function rowTexts(cells: readonly string[], mapping: readonly ColumnMapping[]): Record<string, string> {
  const texts: Record<string, string> = {};
  mapping.forEach(({ column, unit }, i) => {
    const cell = (cells[i] ?? "").trim();
    if (column === null || cell === "") return;
    const isPlain = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(cell);
    texts[column] = isPlain && unit !== null ? `${cell} ${unit}` : cell;
  });
  return texts;
}
