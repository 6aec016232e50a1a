import Joi from "joi";
import { BAR_STATES, FINISHES, ratedTotalKg, SLEEVE_ROTATIONS, type Bar } from "@/core/bars/bar";
import { FAMILY_KEYS } from "@/core/bars/families";
import { seatToSeatOf } from "@/core/bars/lengths";
import { PLATE_MATERIALS } from "@/core/loading/plateKind";
import { LIFT_KEYS } from "@/core/matching/lifts";
import { BASES, VERDICTS } from "@/core/matching/verdict";
import type { Match } from "@/core/matching/match";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { quantity } from "./fields";

const barFields = {
  tag: Joi.string().required(),
  name: Joi.string().required(),
  family: Joi.string()
    .valid(...FAMILY_KEYS)
    .required(),
  state: Joi.string()
    .valid(...BAR_STATES)
    .required(),
  massKg: quantity().required(),
  shaftDiameterMm: quantity().required(),
  shaftLengthMm: quantity().required(),
  collarThicknessMm: quantity().required(),
  seatToSeatMm: quantity().required(),
  sleeveLengthMm: quantity().required(),
  overallLengthMm: quantity().required(),
  ratedLoadKg: quantity().required().description("total, by the stricter reading"),
  sleeveRotation: Joi.string()
    .valid(...SLEEVE_ROTATIONS)
    .allow(null)
    .required(),
  finish: Joi.string()
    .valid(...FINISHES)
    .allow(null)
    .required(),
  place: Joi.string().allow(null).required(),
};

export const barItem = Joi.object(barFields);

/** One bar by itself: the list's fields and what only its page shows. */
export const barBody = Joi.object({
  ...barFields,
  stateReason: Joi.string().allow(null).required(),
  sleeveDiameterMm: quantity().required(),
  runoutMm: quantity().required(),
  camberDropMm: quantity().required(),
  camberForwardMm: quantity().required(),
  hardLimitKg: Joi.number().allow(null).required(),
  alloy: Joi.string().allow(null).required(),
  yieldMPa: Joi.number().allow(null).required(),
  knurl: Joi.string().allow(null).required(),
  centreKnurl: Joi.string().allow(null).required(),
  ringMarks: Joi.string().allow(null).required(),
  version: Joi.number().integer().required(),
});

export function barItemOf(bar: Bar, place: string | null) {
  const of = (kind: keyof Bar["quantities"]) => bar.quantities[kind] ?? null;
  const rated = ratedTotalKg(bar);
  return {
    tag: bar.tag,
    name: bar.name,
    family: bar.family,
    state: bar.state,
    massKg: of("mass"),
    shaftDiameterMm: of("shaftDiameter"),
    shaftLengthMm: of("shaftLength"),
    collarThicknessMm: of("collarThickness"),
    seatToSeatMm: seatToSeatOf(bar),
    sleeveLengthMm: of("sleeveLength"),
    overallLengthMm: of("overallLength"),
    ratedLoadKg:
      rated === null
        ? null
        : { value: rated, source: "stated" as const, ...(bar.rating ? { statedValue: bar.rating.kg } : {}) },
    sleeveRotation: bar.sleeveRotation,
    finish: bar.finish,
    place,
  };
}

export function barBodyOf(bar: Bar, place: string | null, version: number) {
  const of = (kind: keyof Bar["quantities"]) => bar.quantities[kind] ?? null;
  const { stateReason, hardLimitKg, alloy, yieldMPa, knurl, centreKnurl, ringMarks } = bar;
  return {
    ...barItemOf(bar, place),
    stateReason,
    sleeveDiameterMm: of("sleeveDiameter"),
    runoutMm: of("runout"),
    camberDropMm: of("camberDrop"),
    camberForwardMm: of("camberForward"),
    hardLimitKg,
    alloy,
    yieldMPa,
    knurl,
    centreKnurl,
    ringMarks,
    version,
  };
}

export const plateItem = Joi.object({
  id: Joi.string().required(),
  massKg: Joi.number().required(),
  nominal: Joi.object({ value: Joi.string().required(), unit: Joi.string().valid("kg", "lb").required() }).required(),
  pairs: Joi.number().integer().required(),
  thicknessMm: Joi.number().allow(null).required(),
  diameterMm: Joi.number().allow(null).required(),
  material: Joi.string()
    .valid(...PLATE_MATERIALS)
    .allow(null)
    .required(),
  dropRated: Joi.boolean().required(),
  colour: Joi.string().allow(null).required(),
});

/** The fields of a plate's row that the wire shows. */
export interface WirePlate {
  key: string;
  massUnits: number;
  massValue: string;
  massUnit: string;
  pairs: number;
  thicknessMm: number | null;
  diameterMm: number | null;
  material: string | null;
  isDropRated: boolean;
  colour: string | null;
}

export function plateItemOf(row: WirePlate) {
  const { key, massUnits, massValue, massUnit, pairs, thicknessMm, diameterMm, material, isDropRated, colour } = row;
  return {
    id: key,
    massKg: kgFromMassUnits(massUnits),
    nominal: { value: massValue, unit: massUnit },
    pairs,
    thicknessMm,
    diameterMm,
    material,
    dropRated: isDropRated,
    colour,
  };
}

export const stationItem = Joi.object({
  id: Joi.string().required(),
  name: Joi.string().required(),
  kind: Joi.string().valid("rack", "bench", "platform", "floor").required(),
  supportSpacingMm: Joi.number().allow(null).required().description("between the contact points of the J-cups"),
  holePitchMm: Joi.number().allow(null).required(),
  firstHoleMm: Joi.number().allow(null).required(),
  jCupPairs: Joi.number().integer().required(),
});

export interface WireStation {
  key: string;
  name: string;
  kind: string;
  supportSpacingMm: number | null;
  holePitchMm: number | null;
  firstHoleMm: number | null;
  jCupPairs: number;
}

export function stationItemOf({ key, name, kind, supportSpacingMm, holePitchMm, firstHoleMm, jCupPairs }: WireStation) {
  return { id: key, name, kind, supportSpacingMm, holePitchMm, firstHoleMm, jCupPairs };
}

export const liftItem = Joi.object({
  key: Joi.string().required(),
  name: Joi.string().required(),
  speed: Joi.string().valid("slow", "fast").required(),
  start: Joi.string().valid("floor", "rack").required(),
  ending: Joi.string().valid("racked", "lowered", "dropped").required(),
  contact: Joi.string().valid("hands", "back", "front").required(),
  supportHalfSpacingMm: Joi.number().required(),
  like: Joi.string()
    .valid(...LIFT_KEYS)
    .required()
    .description("the usual lift it is judged like"),
  usualKg: Joi.number().required(),
  prerequisite: Joi.string().allow(null).required().description("what a coach confirms first"),
});

type LiftWords = "key" | "name" | "speed" | "start" | "ending" | "contact" | "like";

export function liftItemOf({
  key,
  name,
  speed,
  start,
  ending,
  contact,
  supportHalfSpacingMm,
  like,
  usualKg,
  prerequisite,
}: Record<LiftWords, string> & { supportHalfSpacingMm: number; usualKg: number; prerequisite: string | null }) {
  return { key, name, speed, start, ending, contact, supportHalfSpacingMm, like, usualKg, prerequisite };
}

export const matchAnswer = Joi.object({
  lift: Joi.string().required(),
  lifter: Joi.string().allow(null).required(),
  loadKg: Joi.number().required(),
  items: Joi.array()
    .items(
      Joi.object({
        tag: Joi.string().required(),
        family: Joi.string()
          .valid(...FAMILY_KEYS)
          .required(),
        state: Joi.string()
          .valid(...BAR_STATES)
          .required(),
        verdict: Joi.string()
          .valid(...VERDICTS)
          .required(),
        reasons: Joi.array()
          .items(
            Joi.object({
              factor: Joi.string().required(),
              basis: Joi.string()
                .valid(...BASES)
                .required(),
              text: Joi.string().required(),
              value: Joi.number(),
              unit: Joi.string(),
              atBest: Joi.string()
                .valid(...VERDICTS)
                .required()
                .description("the best verdict possible in view of this"),
              wouldChange: Joi.string(),
            }),
          )
          .required(),
      }),
    )
    .required(),
});

export function matchItemOf({ bar, verdict, reasons }: Match & { bar: Bar }) {
  return {
    tag: bar.tag,
    family: bar.family,
    state: bar.state,
    verdict,
    reasons: reasons.map(({ factor, basis, text, value, unit, atBest, wouldChange }) => ({
      factor,
      basis,
      text,
      ...(value === undefined ? {} : { value, unit }),
      atBest,
      ...(wouldChange === undefined ? {} : { wouldChange }),
    })),
  };
}

export const dueItem = Joi.object({
  tag: Joi.string().required(),
  task: Joi.string().required(),
  dueOn: Joi.string().required().description("YYYY-MM-DD, day of the hall"),
  overdueDays: Joi.number().integer().required(),
  reason: Joi.string().required(),
  minutes: Joi.number().required(),
});

export function dueItemOf({
  tag,
  task,
  dueOn,
  overdueDays,
  reason,
  minutes,
}: {
  tag: string;
  task: string;
  dueOn: string;
  overdueDays: number;
  reason: string;
  minutes: number;
}) {
  return { tag, task, dueOn, overdueDays, reason, minutes };
}
