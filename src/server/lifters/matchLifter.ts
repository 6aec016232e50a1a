import "server-only";
import type { Limit, MatchLifter } from "@/core/matching/lifter";
import type { Meeting } from "@/core/matching/lifterFields";
import type { Lift } from "@/core/matching/lifts";
import { type MeetingRule, specFor } from "@/core/matching/meetingRules";
import { type HallDay, daysBetween } from "@/core/units/hallDay";
import { type TypedQuantity, convertTyped } from "@/core/units/typedQuantity";
import { type LifterRow, buildOf } from "./lifters";

/** A lifter as the matcher sees one for a lift. */
export function matchLifterOf(
  row: LifterRow,
  lift: Lift,
  { today, rules, used }: { today: HallDay; rules: readonly MeetingRule[]; used?: MatchLifter["used"] },
): MatchLifter {
  const usual = row.usualLoads?.[lift.key] as TypedQuantity | undefined;
  return {
    build: buildOf(row),
    handLengthMm: row.handLengthMm,
    experience: row.experience,
    limits: (row.limits ?? []) as Limit[],
    confirmed: row.confirmed ?? [],
    meeting: nextMeeting(row.meetings ?? [], lift, today, rules),
    used: used ?? new Map(),
    usualKg: usual ? convertTyped(usual) : null,
  };
}

function nextMeeting(
  meetings: readonly Meeting[],
  lift: Lift,
  today: HallDay,
  rules: readonly MeetingRule[],
): MatchLifter["meeting"] {
  const coming = meetings
    .flatMap(({ on, rules: name }) => {
      const spec = specFor(rules, name, lift);
      return on >= today && spec ? [{ inDays: daysBetween(today, on), spec }] : [];
    })
    .sort((a, b) => a.inDays - b.inDays);
  return coming[0] ?? null;
}
