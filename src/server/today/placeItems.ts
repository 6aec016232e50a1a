import "server-only";
import { listed, sentence } from "@/core/units/format";
import { type PlannedRound, jobsOfRound } from "@/server/care/rounds";
import { type ClassRow } from "@/server/classes";
import { STAGE_WORDS } from "@/core/feel/barNote";
import { type NoteAsked } from "@/server/feel";
import { type StationsDue } from "@/server/equipment";
import { type BackupAlarm } from "@/server/upkeep";
import { type TodayItem } from "./todayItem";

/** People who have used a bar long enough to say how it is. */
export function noteItems(asked: readonly NoteAsked[]): TodayItem[] {
  const [first, ...others] = asked;
  if (!first) return [];
  const more = others.slice(0, 4).map(({ lifterName, tag }) => `${lifterName} on ${tag}`);
  const rest = others.length - more.length;
  return [
    {
      id: "notes",
      weight: "soon",
      title: `Ask ${first.lifterName} how ${first.tag} ${first.barName} feels after ${STAGE_WORDS[first.stage]}.`,
      because:
        more.length === 0
          ? "It is shown where bars are compared and bought."
          : `Also ${listed(rest > 0 ? [...more, `${rest} more`] : more)}.`,
      action: {
        label: "Add note",
        href: `/bars/${encodeURIComponent(first.tag)}?lifter=${encodeURIComponent(first.lifter)}&stage=${first.stage}#feel`,
      },
    },
  ];
}

/** Stations that are out of use, then those whose bolts, pins or liners want a look. */
export function stationItems({ out, due }: StationsDue): TodayItem[] {
  return [
    ...out.map(({ key, name, why }): TodayItem => ({
      id: `station-${key}`,
      weight: "danger",
      title: `${name} is out of use: ${why}.`,
      because: "Nobody lifts there until it is fixed.",
      action: { label: "Check", href: "/care/stations" },
    })),
    ...(due.length > 0
      ? [
          {
            id: "stations-due",
            weight: "soon" as const,
            title: `Check ${listed(due.slice(0, 5))}${due.length > 5 ? ` and ${due.length - 5} more` : ""}: bolts, pins, liners.`,
            because: "A rack that gives way is worse than a bar that rusts.",
            action: { label: "Check", href: "/care/stations" },
          },
        ]
      : []),
  ];
}

/** Sessions that are under way on a bar that may not be lifted with any more. */
export function stoppedRuns(stopped: readonly { id: string; tag: string; stop: string }[]): TodayItem[] {
  return stopped.map(({ id, tag, stop }) => ({
    id: `stopped-${id}`,
    weight: "danger",
    title: `Stop the session on ${tag}: ${stop}`,
    because: "It is in progress.",
    action: { label: "Open it", href: `/load/session/run/${id}` },
  }));
}

/** A database that nobody has a fresh copy of. */
export function notBackedUp(alarm: BackupAlarm | null): TodayItem[] {
  if (!alarm) return [];
  return [
    {
      id: "backup",
      weight: "danger",
      title: alarm.title,
      because: alarm.because,
      action: { label: "See how", href: "/settings#backups" },
    },
  ];
}

/** Classes of today that nobody assigned yet; for whoever assigns. */
export function tonight(classes: readonly ClassRow[]): TodayItem[] {
  return classes.map(({ id, name, startsAt }) => ({
    id: `class-${id}`,
    weight: "now",
    title: `${name} at ${startsAt}: stations and bars are not assigned yet.`,
    because: "Assign stations and bars, then print the sheet.",
    action: { label: "Assign", href: `/classes/${id}` },
  }));
}

/** Rounds that were planned for today and are not done. */
export function roundItems(rounds: readonly PlannedRound[]): TodayItem[] {
  return rounds.map((round) => {
    const [{ id, from, person, minutes, tasks }, jobs] = [round, jobsOfRound(round)];
    return {
      id: `round-${id}`,
      weight: "soon",
      title: `Round at ${from}, ${person}: ${jobs} ${jobs === 1 ? "job" : "jobs"}, about ${Math.ceil(minutes)} min.`,
      because: `${sentence(listed(tasks.map(({ name }) => name)))}.`,
      action: { label: "Start", href: `/care/rounds?plan=${id}` },
    };
  });
}
