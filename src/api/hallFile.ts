import Joi from "joi";
import { ZONES } from "@/core/wear/zones";
import type { FileMeasurement } from "@/core/bars/barColumns";
import { CARE_TASK_FIELDS } from "@/core/care/careTaskFields";
import {
  FINISH_STATES,
  INSPECTED_PARTS,
  KNURL_STATES,
  PART_STATES,
  RUST_GRADES,
  SLEEVE_FEELS,
} from "@/core/care/inspection";
import { CLAMP_FIELDS, PLATE_FIELDS, STATION_FIELDS } from "@/core/equipment/equipmentFields";
import type { HallFileParts } from "@/core/hallFileParts";
import { LIFTER_FIELDS } from "@/core/matching/lifterFields";
import { LIFT_FIELDS } from "@/core/matching/liftFields";
import { MEETING_QUANTITIES } from "@/core/matching/meetingSpec";
import { ARM_CHART_FIELDS, FRAME_CHART_FIELDS } from "@/core/setups/chartFields";
import { barTexts, fileMeasurement, MAX_CELL, MAX_ROWS } from "./barFile";
import type { FileRow } from "./csvIn";
import { checked, type Problem } from "./problems";

const equipment = (fields: Record<string, unknown>) =>
  Joi.object().pattern(Joi.string().valid(...Object.keys(fields)), Joi.string().max(MAX_CELL));
const listOfEquipment = (fields: Record<string, unknown>) =>
  Joi.array()
    .items(Joi.object({ texts: equipment(fields).required() }))
    .max(1000);

const deposition = Joi.number().min(0).max(2000).required();
const number = Joi.number().allow(null).required();
const oneOf = (words: readonly string[]) =>
  Joi.string()
    .valid(...words)
    .allow(null)
    .required();

/** What an inspection found; what was not looked at is null. */
const inspectionFacts = Joi.object({
  dialMm: Joi.array().items(Joi.number()).max(72).allow(null).required(),
  dialLeftMm: Joi.array().items(Joi.number()).max(72).allow(null),
  dialRightMm: Joi.array().items(Joi.number()).max(72).allow(null),
  hops: Joi.boolean().allow(null).required(),
  crackSeen: Joi.boolean().allow(null).required(),
  spinLeftS: number,
  spinRightS: number,
  endPlayMm: number,
  knurl: oneOf(KNURL_STATES),
  rust: oneOf(RUST_GRADES.map(([grade]) => grade)),
  knurlAt: Joi.string()
    .valid(...ZONES)
    .allow(null),
  rustAt: Joi.string()
    .valid(...ZONES)
    .allow(null),
  finish: Joi.string()
    .valid(...FINISH_STATES)
    .allow(null),
  sleeves: Joi.string()
    .valid(...SLEEVE_FEELS)
    .allow(null),
  isSimulated: Joi.boolean(),
  parts: Joi.object()
    .pattern(Joi.string().valid(...INSPECTED_PARTS), Joi.string().valid(...PART_STATES))
    .required(),
});

export const MAX_CARE = 200_000;

/** What a hall's file holds beside its bars; a list that is left out says nothing. */
export const HALL_FILE_SCHEMAS = {
  plates: Joi.array()
    .items(
      Joi.object({
        texts: equipment(PLATE_FIELDS).required(),
        weights: Joi.array()
          .items(Joi.object({ mark: Joi.string().max(20).required(), mass: Joi.string().max(40).required() }))
          .max(200)
          .description("plates weighed one by one"),
      }),
    )
    .max(1000),
  clamps: listOfEquipment(CLAMP_FIELDS),
  stations: listOfEquipment(STATION_FIELDS),
  lifts: listOfEquipment(LIFT_FIELDS),
  meetings: Joi.array()
    .items(
      Joi.object({
        rules: Joi.string().max(100).required(),
        source: Joi.string().max(200).required(),
        lifts: Joi.array().items(Joi.string().max(60)).max(200).required(),
        marks: Joi.string().valid("", "powerlifting", "weightlifting").required(),
        texts: Joi.object()
          .pattern(
            Joi.string().valid(...Object.keys(MEETING_QUANTITIES).flatMap((kind) => [`least.${kind}`, `most.${kind}`])),
            Joi.string().max(40),
          )
          .required()
          .description("least and most of each quantity, as typed"),
      }),
    )
    .max(1000)
    .description("the hall’s own competition rules"),
  lifters: Joi.array()
    .items(
      Joi.object({
        texts: equipment(LIFTER_FIELDS).required(),
        confirmed: Joi.array().items(Joi.string().max(60)).max(200).description("what a coach confirmed"),
      }),
    )
    .max(5000)
    .description("only for those who may read lifters"),
  careTasks: listOfEquipment(CARE_TASK_FIELDS),
  care: Joi.array()
    .items(
      Joi.object({
        tag: Joi.string().max(60).required(),
        task: Joi.string().max(60).required(),
        doneOn: Joi.string().max(10).required(),
        by: Joi.string().max(200).allow(null).required(),
        minutes: Joi.number().min(0).max(1440).allow(null).required(),
        note: Joi.string().max(1000).allow(null).required(),
      }),
    )
    .max(MAX_CARE)
    .description("care that was done, oldest first"),
  charts: Joi.array()
    .items(
      Joi.object({
        tag: Joi.string().max(60).required(),
        texts: equipment({ ...ARM_CHART_FIELDS, ...FRAME_CHART_FIELDS }).required(),
        calibratedOn: Joi.string().max(10).allow(null).required(),
      }),
    )
    .max(MAX_ROWS)
    .description("marks and pins, or holes and offsets, of bars that adjust"),
  inspections: Joi.array()
    .items(
      Joi.object({
        tag: Joi.string().max(60).required(),
        on: Joi.string().max(10).required(),
        by: Joi.string().max(200).allow(null).required(),
        facts: inspectionFacts.required(),
        decided: Joi.string().max(20).required(),
        reason: Joi.string().max(500).allow(null).required(),
      }),
    )
    .max(MAX_CARE)
    .description("inspections, oldest first; they quarantine nothing again"),
  settings: Joi.array()
    .items(
      Joi.object({
        lifter: Joi.string().max(60).required(),
        tag: Joi.string().max(60).required(),
        lift: Joi.string().max(60).required(),
        setting: Joi.object().pattern(Joi.string().max(60), Joi.string().max(60)).required(),
        station: Joi.string().max(60).allow(null).required(),
        jCupHole: Joi.number().integer().min(1).max(99).allow(null).required(),
        safetyHole: Joi.number().integer().min(1).max(99).allow(null).required(),
        loadKg: Joi.number().min(0).max(2000).allow(null),
        plateMm: Joi.number().min(100).max(1000).allow(null),
        rackMm: Joi.number().min(100).max(5000).allow(null),
        note: Joi.string().max(500).allow(null).required(),
      }),
    )
    .max(MAX_ROWS)
    .description("how bars are set for lifters; only for those who may read lifters"),
  rules: Joi.array()
    .items(
      Joi.object({
        key: Joi.string().valid("matching", "measuring", "care").required(),
        value: Joi.object().unknown().required(),
      }),
    )
    .max(3)
    .description("what the gym decided, as it is kept; what is not understood of a value is refused by name"),
  air: Joi.array()
    .items(
      Joi.object({
        key: Joi.string().max(40).required(),
        name: Joi.string().max(80).required(),
        kind: Joi.string().valid("simulated", "entered").required(),
        seed: Joi.number().integer().allow(null).required(),
        so2: deposition,
        chloride: deposition,
        lagHours: Joi.number().min(0).max(24).required(),
        readings: Joi.array()
          .items(
            Joi.object({
              at: Joi.string().isoDate().required(),
              temperatureC: Joi.number().min(-60).max(60).required(),
              humidityPct: Joi.number().min(0).max(100).required(),
            }),
          )
          .max(MAX_CARE)
          .required(),
        deposition: Joi.array()
          .items(
            Joi.object({
              day: Joi.string()
                .pattern(/^\d{4}-\d\d-\d\d$/)
                .required(),
              so2: deposition,
              chloride: deposition,
            }),
          )
          .max(20_000)
          .required(),
      }),
    )
    .max(100)
    .description("places whose air is read, with their readings; deposition in mg/m²·day"),
} satisfies Record<keyof HallFileParts, Joi.Schema>;

/** What the export of a hall is, and what an import takes. */
export const hallFile = Joi.object({
  format: Joi.string().valid("garrison").required(),
  version: Joi.number().valid(1).required(),
  hall: Joi.string().max(200).required(),
  bars: Joi.array()
    .items(
      Joi.object({ texts: barTexts.required(), measurements: Joi.array().items(fileMeasurement).max(1000).required() }),
    )
    .max(MAX_ROWS)
    .required(),
  ...HALL_FILE_SCHEMAS,
});

/** What a dry run told of a file: with it an import does just that, or is refused. */
export const importToken = Joi.string().pattern(/^[\w-]{43}$/);

/** What an import answers: how many bars are new, changed and as they were, and the first few hundred changes. */
export const importAnswer = Joi.object({
  added: Joi.number().integer().required(),
  changed: Joi.number().integer().required(),
  unchanged: Joi.number().integer().required(),
  changes: Joi.array()
    .items(
      Joi.object({
        line: Joi.number().integer().required(),
        tag: Joi.string().required(),
        what: Joi.string().required(),
      }),
    )
    .required(),
  token: importToken.required().description("of a dry run: sent with the import, just this is done or nothing"),
});

type FileBars = ({ texts: Record<string, string> } & { measurements: FileMeasurement[] })[];

export interface IncomingFile extends Partial<HallFileParts> {
  isDryRun: boolean;
  token?: string;
  rows: FileRow[];
}

/** A hall's JSON as what is to be taken in. */
export function readHallFile(
  value: unknown,
): { ok: true; file: Partial<HallFileParts> & { bars: FileRow[] } } | { ok: false; problems: Problem[] } {
  const result = checked(hallFile, value, { longestList: MAX_CARE });
  if (!result.ok) return result;
  const file = result.value as Partial<HallFileParts> & { bars: FileBars };
  const others = Object.fromEntries(
    (Object.keys(HALL_FILE_SCHEMAS) as (keyof HallFileParts)[]).map((part) => [part, file[part]]),
  ) as Partial<HallFileParts>;
  return { ok: true, file: { bars: file.bars.map((bar, i) => ({ line: i + 1, ...bar })), ...others } };
}

/** What the page that takes files in sends: rows already under our columns. */
export const incomingFile = Joi.object({
  isDryRun: Joi.boolean().required(),
  token: importToken,
  rows: Joi.array()
    .items(
      Joi.object({
        line: Joi.number().integer().min(1).required(),
        texts: barTexts.required(),
        measurements: Joi.array().items(fileMeasurement).max(1000),
      }),
    )
    .max(MAX_ROWS)
    .required(),
  ...HALL_FILE_SCHEMAS,
});
