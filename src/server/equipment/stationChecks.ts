import "server-only";
import { asc, eq, sql } from "drizzle-orm";
import {
  isGrave,
  partsOfStation,
  STATION_FOUNDS,
  STATION_PART_FACTS,
  STATION_PARTS,
  stationDueOn,
  type StationFound,
  type StationPart,
} from "@/core/care/stationChecks";
import type { HallDay } from "@/core/units/hallDay";
import { stationChecks, stations } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, idempotent, notFound, recordChange } from "@/server/kit";
import type { StationRow } from "./equipment";

/** A station with what is looked at on it. */
export interface CheckedStation {
  key: string;
  name: string;
  outOfUse: string | null;
  parts: {
    part: StationPart;
    name: string;
    how: string;
    doneOn: HallDay | null;
    found: StationFound | null;
    note: string | null;
    dueOn: HallDay;
  }[];
}

/** Stations that have parts to look at, each part with its last look and when it is due. */
export async function stationCare({ hall, clock }: Context): Promise<CheckedStation[]> {
  const [rows, last] = await Promise.all([hall.rows(stations, { orderBy: [asc(stations.key)] }), lastLooks(hall)]);
  const checked = rows.flatMap((row): CheckedStation[] => {
    const parts = partsOfStation(row.kind);
    if (parts.length === 0) return [];
    return [
      {
        ...{ key: row.key, name: row.name, outOfUse: row.outOfUse },
        parts: parts.map((part) => {
          const look = last.get(`${row.id} ${part}`);
          return {
            ...{ part, name: STATION_PART_FACTS[part].name, how: STATION_PART_FACTS[part].how },
            ...{ doneOn: look?.doneOn ?? null, found: look?.found ?? null, note: look?.note ?? null },
            dueOn: stationDueOn(part, look?.doneOn ?? null, clock.today),
          };
        }),
      },
    ];
  });
  // What is out of use first, then whatever is due longest.
  const order = ({ outOfUse, parts }: CheckedStation) =>
    outOfUse ? "" : parts.reduce((first, { dueOn }) => (dueOn < first ? dueOn : first), "9999");
  return checked.sort((a, b) => (order(a) < order(b) ? -1 : order(a) > order(b) ? 1 : 0));
}

async function lastLooks(hall: Context["hall"]) {
  const rows = await hall.summary(
    stationChecks,
    {
      stationId: stationChecks.stationId,
      part: stationChecks.part,
      doneOn: sql<string>`(max(${stationChecks.doneOn}))::text`,
      found: sql<StationFound>`(array_agg(${stationChecks.found} order by ${stationChecks.doneOn} desc, ${stationChecks.enteredAt} desc))[1]`,
      note: sql<
        string | null
      >`(array_agg(${stationChecks.note} order by ${stationChecks.doneOn} desc, ${stationChecks.enteredAt} desc))[1]`,
    },
    { groupBy: [stationChecks.stationId, stationChecks.part] },
  );
  return new Map(rows.map((row) => [`${row.stationId} ${row.part}`, row]));
}

/** Stations that are out of use, and the names of those with something due. */
export interface StationsDue {
  out: { key: string; name: string; why: string }[];
  due: string[];
}

/**
 * What of stations wants doing today, for whoever looks after them. A gym that never checked a station is not told every
 * day: once it checks one, all are due.
 */
export async function stationsDue(context: Context): Promise<StationsDue> {
  if (!may(context, "care.tick")) return { out: [], due: [] };
  const all = await stationCare(context);
  const isChecking = all.some(({ parts }) => parts.some(({ doneOn }) => doneOn !== null));
  return {
    out: all.flatMap(({ key, name, outOfUse }) => (outOfUse ? [{ key, name, why: outOfUse }] : [])),
    due: isChecking
      ? all.filter(({ parts }) => parts.some(({ dueOn }) => dueOn <= context.clock.today)).map(({ name }) => name)
      : [],
  };
}

/** A look at one part of one station, for whoever plans rounds. */
export interface StationJob {
  stationId: string;
  station: string;
  name: string;
  part: StationPart;
  partName: string;
  minutes: number;
  dueOn: HallDay;
  intervalDays: number;
  doneOn: HallDay | null;
}

/** Looks at stations as they come round, in the order of a walk; none in a gym that never checked a station. */
export async function stationJobs({ hall, clock }: Context): Promise<StationJob[]> {
  const [rows, last] = await Promise.all([hall.rows(stations, { orderBy: [asc(stations.key)] }), lastLooks(hall)]);
  if (last.size === 0) return [];
  return rows.flatMap((row) =>
    partsOfStation(row.kind).map((part) => {
      const doneOn = last.get(`${row.id} ${part}`)?.doneOn ?? null;
      const { name: partName, minutes, days: intervalDays } = STATION_PART_FACTS[part];
      return {
        ...{ stationId: row.id, station: row.key, name: row.name, part, partName, minutes, intervalDays, doneOn },
        dueOn: stationDueOn(part, doneOn, clock.today),
      };
    }),
  );
}

/** What somebody found of one part. */
export interface StationCheck {
  /** Made by the screen, once for each look. */
  key: string;
  station: string;
  part: string;
  found: string;
  note: string;
}

/**
 * Records a look at a part of a station. A crack anywhere, and bolts or pins that are loose or missing, take the station
 * out of use at once: every plan at it says so. It comes back when whoever may change equipment finds the part sound.
 */
export async function checkStation(
  context: Context,
  { key, station, part, found, note }: StationCheck,
): Promise<Outcome<{ outOfUse: string | null }>> {
  if (!may(context, "care.tick")) return forbidden("check stations");
  const [what, state] = [STATION_PARTS.find((one) => one === part), STATION_FOUNDS.find((one) => one === found)];
  const problems = [
    ...(what ? [] : [{ path: "part", message: `Part: one of ${STATION_PARTS.join(", ")}.` }]),
    ...(state ? [] : [{ path: "found", message: `Choose what you found: ${STATION_FOUNDS.join(", ")}.` }]),
    ...(note.length > 300 ? [{ path: "note", message: "At most 300 characters." }] : []),
    ...(/^[\w-]{8,64}$/.test(key) ? [] : [{ path: "key", message: "8 to 64 letters, digits, - or _." }]),
  ];
  if (!what || !state || problems.length > 0) return failed("invalid", "Not saved.", problems);
  return inTransaction(context, (context) =>
    idempotent(context, key, "station.check", async () => {
      const { hall, clock, actor } = context;
      const row = await hall.first(stations, { where: eq(stations.key, station), forUpdate: true });
      if (!row) return notFound(`station ${station}`);
      if (!partsOfStation(row.kind).includes(what))
        return failed("invalid", "Not saved.", [{ path: "part", message: `${row.name} has no ${what} to look at.` }]);
      await hall.insert(stationChecks, {
        ...{ stationId: row.id, part: what, found: state, note: note.trim() || null },
        ...{ doneOn: clock.today, personId: actor.personId, enteredAt: clock.now() },
      });
      const outOfUse = await outAfter(context, row, what, state);
      if (outOfUse !== row.outOfUse)
        await hall.update(stations, eq(stations.id, row.id), { outOfUse, version: row.version + 1 });
      await recordChange(context, {
        ...{ entity: "station-check", entityId: row.id, action: `${what}: ${state}` },
        ...{ before: { outOfUse: row.outOfUse }, after: { station: row.name, outOfUse } },
      });
      return { ok: true as const, outOfUse };
    }),
  );
}

/** Why a station is out of use after a look, all its parts' last looks together. */
async function outAfter(
  context: Context,
  row: StationRow,
  part: StationPart,
  found: StationFound,
): Promise<string | null> {
  const last = await lastLooks(context.hall);
  const grave = STATION_PARTS.flatMap((one) => {
    const state = one === part ? found : (last.get(`${row.id} ${one}`)?.found ?? null);
    return state && isGrave(one, state) ? [`${STATION_PART_FACTS[one].name} ${state}`] : [];
  });
  if (grave.length > 0) return grave.join(", ");
  // Whoever may only tick care says what they see; whoever answers for it lets people lift there again.
  return row.outOfUse && !may(context, "equipment.edit") ? row.outOfUse : null;
}
