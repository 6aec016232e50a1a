import "server-only";
import { type Bar, isUsable } from "@/core/bars/bar";
import { gradeBar } from "@/core/matching/match";
import type { Verdict } from "@/core/matching/verdict";
import type { PlannedRotation, PlannedRow } from "@/core/rotation/plannedRotation";
import { competitionWeeks } from "@/core/rotation/lifterWeeks";
import type { LifterBar, RotationLifter, RotationQuestion } from "@/core/rotation/rotationQuestion";
import { changeWeeksOf, type RotationWish } from "@/core/rotation/rotationWish";
import { priorOfSet } from "@/core/strength/lifterLog";
import { addDays, daysBetween, type HallDay } from "@/core/units/hallDay";
import type { Context } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { compute } from "@/server/computing";
import { listStations } from "@/server/equipment";
import { type Outcome, failed } from "@/server/kit";
import { barUse, listLifters, type LifterRow, matchLifterOf } from "@/server/lifters";
import { allLifts, liftOf, meetingRules } from "@/server/lifts";
import { loadable } from "@/server/loading";
import { type Expected, expecting } from "@/server/logbook";
import { barsToday } from "@/server/matching";
import { matchingRules, strengthRules } from "@/server/rules";

/** What a verdict is worth a week, against ten points for each percent off the week's target. */
const POINTS: Record<Exclude<Verdict, "never">, number> = { "made-for": 300, good: 240, usable: 140, poor: 0 };
/** What knowing a bar already is worth: a new one is planned where it is clearly nearer. */
const KNOWN_POINTS = 80;
/** Without a log a bar is tried at this: a load that nobody finds heavy. */
const UNKNOWN_KG = 40;
const PLAN_MS = 2000;

export interface RotationFrame {
  startsOn: HallDay;
  weeks: number;
  wish: RotationWish;
}

interface Candidate {
  barId: string;
  bar: Bar;
  expected: Expected | null;
  ratioPct: number;
  points: number;
  learningWeeks: number;
}

/** Plans a rotation: bars that Match allows at the load each lifter is expected to lift, all weeks together. */
export async function planFrame(context: Context, frame: RotationFrame): Promise<Outcome<{ plan: PlannedRotation }>> {
  const { weeks, wish } = frame;
  const people = (await listLifters(context)).filter(({ id }) => wish.lifterIds.includes(id));
  if (people.length === 0) return failed("invalid", "Nobody of these lifts here any more. Choose lifters again.");
  const lift = (await allLifts(context)).find(({ key }) => key === wish.liftKey);
  if (!lift) return failed("invalid", "This lift is no longer in the list. Choose another.");
  const candidates = await candidatesOf(context, frame, people);
  const bare = people.filter(({ id }) => candidates.get(id)!.every((own) => own.length === 0));
  if (bare.length > 0)
    return failed(
      "impossible",
      `Match allows no bar for ${bare.map(({ name }) => name).join(", ")} in this lift. Open Match to see why.`,
    );
  const rows = people.flatMap((person) => wish.sessions.map((_, session) => ({ person, session })));
  const question = questionOf(frame, rows, candidates);
  const { plan, problems } = await compute(context, "rotation", question, { ms: PLAN_MS });
  if (typeof plan === "string")
    return failed(
      "impossible",
      plan === "none"
        ? "No plan keeps all of this."
        : "No plan was found in the time. Pin less, or let more share a bar.",
      problems.map(({ path, message }) => ({ path, message: inNames(message, rows, candidates) })),
    );
  const round = await loadable(context);
  return {
    ok: true,
    plan: {
      ...{ value: plan.value, bound: plan.bound, isProven: plan.isProven },
      rows: rows.map(({ person, session }, r): PlannedRow => {
        const own = candidates.get(person.id)![session]!;
        const uses = new Map(own.map(({ barId, expected }) => [barId, expected?.uses ?? 0]));
        const near = competitionWeeks(question.lifters[r]!, weeks);
        return {
          lifterId: person.id,
          session,
          weeks: plan.bars[r]!.map((key, w) => {
            const one = own.find(({ barId }) => barId === barIdOf(key))!;
            const before = uses.get(one.barId)!;
            uses.set(one.barId, before + 1);
            const targetPct = question.lifters[r]!.targets![w]!;
            return {
              barId: one.barId,
              targetPct,
              ratioPct: one.ratioPct,
              loadKg: one.expected && round(one.bar, one.expected.value),
              isLight: targetPct < wish.lightBelowPct,
              isLearning: one.learningWeeks > 0 && before < (one.expected?.uses ?? 0) + one.learningWeeks,
              isCompetition: near.includes(w),
            };
          }),
        };
      }),
    },
  };
}

/** A bar stands for itself in one of the week's sessions: who shares it then shares it then only. */
const keyOf = (barId: string, session: number) => `${barId} ${session}`;
const barIdOf = (key: string) => key.split(" ")[0]!;

function questionOf(
  { startsOn, weeks, wish }: RotationFrame,
  rows: readonly { person: LifterRow; session: number }[],
  candidates: ReadonlyMap<string, Candidate[][]>,
): RotationQuestion {
  const used = new Set(
    rows.flatMap(({ person, session }) =>
      candidates.get(person.id)![session]!.map(({ barId }) => keyOf(barId, session)),
    ),
  );
  return {
    weeks,
    targets: wish.wave,
    bars: [...used].map((id) => ({ id, capacity: wish.sharing })),
    maxRun: wish.school === "block" ? weeks : wish.maxRun,
    lightBelowPct: wish.lightBelowPct,
    competitionRunsFree: true,
    changeWeeks: changeWeeksOf(wish, weeks),
    lifters: rows.map(({ person, session }): RotationLifter => {
      const own = candidates.get(person.id)![session]!;
      const { lighterPct } = wish.sessions[session]!;
      return {
        id: `${person.name}, session ${session + 1}`,
        bars: own.map(({ barId, ratioPct, points, learningWeeks }): LifterBar => ({
          ...{ id: keyOf(barId, session), ratioPct, points, learningWeeks },
        })),
        pins: wish.pins
          .filter((pin) => pin.lifterId === person.id && pin.session === session)
          .map(({ week, barId }) => ({ week, bar: keyOf(barId, session) })),
        competition: competitionOf(person, own, session, { startsOn, weeks, wish }),
        targets: wish.wave.map((target) => target - lighterPct),
      };
    }),
  };
}

/** The next competition within the weeks or soon after: its bar alone in the last weeks before it. */
function competitionOf(
  person: LifterRow,
  own: readonly Candidate[],
  session: number,
  { startsOn, weeks, wish }: RotationFrame,
): RotationLifter["competition"] {
  const coming = (person.meetings ?? [])
    .map(({ on }) => on)
    .filter((on) => on >= startsOn)
    .sort()[0];
  if (!coming || wish.competitionWeeks === 0) return null;
  const at = Math.floor(daysBetween(startsOn, coming) / 7) + 1;
  const over = Math.max(0, at - weeks);
  const lastWeeks = wish.competitionWeeks - over;
  const bar = [...own]
    .filter(({ ratioPct, learningWeeks }) => ratioPct === 100 && learningWeeks === 0)
    .sort((a, b) => b.points - a.points || (a.bar.tag < b.bar.tag ? -1 : 1))[0];
  if (!bar || lastWeeks <= 0) return null;
  return { week: Math.min(at, weeks), bar: keyOf(bar.barId, session), lastWeeks };
}

/** For each lifter and session the bars that Match allows at the load expected on them. */
async function candidatesOf(
  context: Context,
  { startsOn, wish }: RotationFrame,
  people: readonly LifterRow[],
): Promise<Map<string, Candidate[][]>> {
  const [wall, lifts, rules, meetings, used, today, strength, { items: stations }] = await Promise.all([
    barsOnTheWall(context),
    allLifts(context),
    matchingRules(context),
    meetingRules(context),
    barUse(context),
    barsToday(context),
    strengthRules(context),
    listStations(context),
  ]);
  const lift = liftOf(lifts.find(({ key }) => key === wish.liftKey)!);
  const expected = await expecting(
    context,
    people.map(({ id }) => id),
    wish.liftKey,
  );
  // What is overdue or in use today does not decide in some weeks; what was found wrong does.
  const laterDays = new Map([...today].map(([tag, now]) => [tag, { ...now, overdue: null, takenAt: null }]));
  const usable = wall.filter(({ bar }) => isUsable(bar.state));
  return new Map(
    people.map((person) => {
      const lifter = matchLifterOf(person, lift, { today: startsOn, rules: meetings, used: used.get(person.id) });
      return [
        person.id,
        wish.sessions.map(({ purpose, repetitions, reserve }) => {
          const own = usable.flatMap(({ id: barId, bar }): Candidate[] => {
            const load = expected.of(person.id, {
              ...{ barId, family: bar.family, setting: "", handsHelped: false, repetitions, reserve },
            });
            const prior = priorOfSet(bar.family, "");
            const isStraight = prior === "straight";
            const ratio = load?.ratio ?? (prior === "straight" ? 1 : strength.priors[prior].median);
            const verdict = gradeBar(bar, lift, load?.value ?? lifter.usualKg ?? UNKNOWN_KG, {
              ...{ lifter, purpose, rules, stations },
              today: startsOn,
              barsToday: laterDays,
            });
            if (verdict === "never") return [];
            // Without a log every bar but the straight ones is new.
            const isNew = load ? load.isLearning : !isStraight;
            const missing = isNew ? Math.max(0, strength.learningUses - (load?.uses ?? 0)) : 0;
            return [
              {
                ...{ barId, bar, expected: load },
                ratioPct: isStraight ? 100 : Math.round(100 * ratio),
                points: POINTS[verdict] && POINTS[verdict] + (isNew ? 0 : KNOWN_POINTS),
                // Some six uses are about three weeks (handbook §12).
                learningWeeks: Math.ceil(missing / 2),
              },
            ];
          });
          // A poor bar is planned for those only who have nothing better.
          const better = own.filter(({ points }) => points > 0);
          return better.length > 0 ? better : own;
        }),
      ];
    }),
  );
}

/** Keys of bars as their tags, in what contradicts. */
function inNames(
  message: string,
  rows: readonly { person: LifterRow; session: number }[],
  candidates: ReadonlyMap<string, Candidate[][]>,
): string {
  const tags = new Map(
    rows.flatMap(({ person, session }) =>
      candidates.get(person.id)![session]!.map(({ barId, bar }) => [keyOf(barId, session), bar.tag] as const),
    ),
  );
  return [...tags].reduce((text, [key, tag]) => text.replaceAll(key, tag), message);
}

/** The day of a session in a week of a rotation; weeks count from 0. */
export const sessionDay = (startsOn: HallDay, week: number, weekday: number): HallDay =>
  addDays(startsOn, 7 * week + weekday);
