import { randomUUID } from "node:crypto";
import type { FamilyKey } from "@/core/bars/families";
import { type LoggedSet, byLift, priorOfSet, worthsOf } from "@/core/strength/lifterLog";
import { simulateLog, type TrueBar, type TrueSet } from "@/core/strength/simulatedLog";
import { START_STRENGTH_RULES } from "@/core/strength/strengthRules";
import { mondayOf } from "@/core/strength/workload";
import { addDays, type HallDay } from "@/core/units/hallDay";
import type { HallDb } from "../hallDb";
import * as schema from "../schema";
import { DEMO_BARS } from "./demoBars";
import { DEMO_LOG_WEEKS, DEMO_LOGS, type DemoLog } from "./demoLogs";
import { seededRandom } from "./random";

const SEED = 18_000_039;
/** Nobody says how it went after so many sets in a hundred. */
const UNSAID = 0.12;
const MISSED = 0.03;
const SETS_A_SESSION = 3;

/** Nine months of made-up sets, and what bars are worth by them. */
export async function loadLogs(
  hall: HallDb,
  { bars, lifters, today }: { bars: ReadonlyMap<string, string>; lifters: ReadonlyMap<string, string>; today: HallDay },
): Promise<void> {
  const random = seededRandom(SEED);
  const rows = DEMO_LOGS.flatMap((log) => rowsOf(log, random, bars, lifters.get(log.lifter)!, today));
  const seqs = new Map<string, number>();
  await hall.insertMany(
    schema.logSets,
    rows.map(({ set, lifterId }) => {
      const day = `${lifterId} ${set.on}`;
      const seq = (seqs.get(day) ?? 0) + 1;
      seqs.set(day, seq);
      const {
        on: liftedOn,
        id,
        liftKey,
        variant,
        barId,
        setting,
        handsHelped,
        loadKg,
        repetitions,
        reserve,
        isMade,
      } = set;
      const kept = { liftKey, variant, barId, setting, handsHelped, loadKg, repetitions, reserve, isMade };
      return {
        ...kept,
        ...{ id, lifterId, liftedOn, seq, loadValue: String(set.loadKg), loadUnit: "kg" as const, note: null },
        ...{ source: "typed" as const, runId: null, runSetId: null, version: 1 },
      };
    }),
  );
  const people = [...new Set(rows.map(({ lifterId }) => lifterId))];
  const worths = people.flatMap((lifterId) =>
    byLift(
      rows
        .filter((row) => row.lifterId === lifterId)
        .map(({ set }) => set)
        .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0)),
    ).flatMap((log) => worthsOf(START_STRENGTH_RULES, log, today).map((row) => ({ ...row, lifterId }))),
  );
  await hall.insert(schema.barWorths, worths);
}

function rowsOf(
  log: DemoLog,
  random: () => number,
  ids: ReadonlyMap<string, string>,
  lifterId: string,
  today: HallDay,
): { set: LoggedSet; lifterId: string }[] {
  const from = addDays(mondayOf(today), -7 * DEMO_LOG_WEEKS);
  const familyOf = (tag: string) => DEMO_BARS.find((bar) => bar.tag === tag)!.family as FamilyKey;
  const barOf = (tag: string, ratio: number): TrueBar => ({
    bar: tag,
    prior: priorOfSet(familyOf(tag), ""),
    logRatio: Math.log(ratio),
  });
  const straight = barOf(log.straightTag, 1);
  const others = log.bars.map(({ tag, ratio, fromWeek, toRatio = ratio }) => ({
    fromWeek,
    bar: barOf(tag, ratio),
    drift: Math.log(toRatio / ratio) / Math.max(1, DEMO_LOG_WEEKS - fromWeek),
  }));
  const wishes: (TrueSet & { drift: number })[] = [];
  let turn = 0;
  for (let week = 0; week <= DEMO_LOG_WEEKS; week += 1) {
    if (log.away && week >= log.away[0] && week < log.away[1]) continue;
    for (const weekday of log.weekdays) {
      const day = 7 * week + weekday;
      if (addDays(from, day) >= today) continue;
      const known = others.filter(({ fromWeek }) => week >= fromWeek);
      turn += 1;
      // A heavy day on the straight bar, then one on another.
      const other = known.length > 0 && turn % 2 === 0 ? known[Math.floor(turn / 2) % known.length]! : null;
      const [repetitions, reserve] = other ? [3 + Math.floor(random() * 4), 2] : [2 + Math.floor(random() * 4), 1];
      for (let n = 0; n < SETS_A_SESSION; n += 1)
        wishes.push({
          ...{ day, bar: other?.bar ?? straight, repetitions },
          reserve: Math.max(0, reserve + 1 - n),
          drift: other ? other.drift * (week - other.fromWeek) : 0,
        });
    }
  }
  return simulateLog(random, log.straightKg, wishes, START_STRENGTH_RULES, log.trendPct / 100).map((set, i) => {
    const { day, bar, repetitions, reserve, drift } = wishes[i]!;
    const isMissed = random() < MISSED;
    return {
      lifterId,
      set: {
        id: randomUUID(),
        ...{ liftKey: log.lift, variant: "", barId: ids.get(bar.bar)!, family: familyOf(bar.bar), setting: "" },
        ...{ handsHelped: false, on: addDays(from, day), repetitions },
        // What plates can do.
        loadKg: Math.max(20, Math.round((set.loadKg * Math.exp(drift)) / 2.5) * 2.5),
        reserve: isMissed || random() < UNSAID ? null : reserve,
        isMade: !isMissed,
      },
    };
  });
}
