import type { InspectionFacts } from "./care/inspection";
import type { HallDay } from "./units/hallDay";

/* What a hall's file holds beside its bars: the one shape that export, import and the public interface share. */

/** A row that fields describe, as files carry it. */
export interface FileRow {
  texts: Record<string, string>;
}

/** A plate, clamp or station as files carry it; of plates also what was weighed one by one. */
export interface FileEquipment extends FileRow {
  weights?: { mark: string; mass: string }[];
}

/** A lifter as files carry them, with what a coach confirmed. */
export interface FileLifter extends FileRow {
  confirmed?: string[];
}

/** What rules ask for some lifts, as files carry it. */
export interface FileMeeting {
  rules: string;
  source: string;
  lifts: string[];
  marks: string;
  /** "least.mass", "most.mass" and so on. */
  texts: Record<string, string>;
}

/** Care that was done, as files carry it. */
export interface FileCare {
  tag: string;
  task: string;
  doneOn: HallDay;
  /** Who did it, by name; null for somebody who was erased. */
  by: string | null;
  minutes: number | null;
  note: string | null;
}

/** Marks and pins, or holes and offsets, of one bar. */
export interface FileChart {
  tag: string;
  texts: Record<string, string>;
  calibratedOn: HallDay | null;
}

/** One inspection of one bar. */
export interface FileInspection {
  tag: string;
  on: HallDay;
  /** Who looked, by name; null for somebody who was erased. */
  by: string | null;
  facts: InspectionFacts;
  decided: string;
  reason: string | null;
}

/** How a bar is set for one lifter's lift, as files carry it; the current one only. */
export interface FileSetting {
  lifter: string;
  tag: string;
  lift: string;
  setting: Record<string, string>;
  station: string | null;
  jCupHole: number | null;
  safetyHole: number | null;
  /** What the card was made for; files of earlier versions do not say. */
  loadKg?: number | null;
  plateMm?: number | null;
  rackMm?: number | null;
  note: string | null;
}

/** What the house decided about one thing: "matching", "measuring" or "care". */
export interface FileRule {
  key: string;
  value: Record<string, unknown>;
}

/** A place whose air is read, with everything that was read there. */
export interface FileAir {
  key: string;
  name: string;
  kind: "simulated" | "entered";
  seed: number | null;
  so2: number;
  chloride: number;
  lagHours: number;
  readings: { at: string; temperatureC: number; humidityPct: number }[];
  /** Days on which something else fell than usual, mg/m²·day. */
  deposition: { day: HallDay; so2: number; chloride: number }[];
}

/** Every list of a hall's file but the bars. */
export interface HallFileParts {
  plates: readonly FileEquipment[];
  clamps: readonly FileEquipment[];
  stations: readonly FileEquipment[];
  lifts: readonly FileRow[];
  /** The hall's own meeting rules. */
  meetings: readonly FileMeeting[];
  /** Only in the file of whoever may read them. */
  lifters?: readonly FileLifter[];
  careTasks: readonly FileRow[];
  care: readonly FileCare[];
  /** Of setups: marks and pins, or holes and offsets. */
  charts: readonly FileChart[];
  inspections: readonly FileInspection[];
  /** Current settings of lifters; only in the file of whoever may read them. */
  settings?: readonly FileSetting[];
  rules: readonly FileRule[];
  air: readonly FileAir[];
}
