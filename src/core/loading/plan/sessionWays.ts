import { load } from "../load";
import type { SessionQuestion } from "./sessionQuestion";
import { SideFinder, type SideWays } from "./sideWays";

/**
 * What each set is loaded to, with every choice of plates that does it; sets that ask for the same with the same plates
 * at hand share one list.
 *
 * @param isOver from then on not every choice is listed, and the single load says what is nearest
 * @param isLate from then on even that takes too long, and the heaviest that still fit are taken one after the other
 * @returns choices of one side by set, with the nearest that is reached in mass units
 */
export function sideWaysOf(
  question: SessionQuestion,
  isOver: () => boolean = () => false,
  isLate: () => boolean = () => false,
): SideWays[] {
  const { sets, plates, roomMm, barUnits, clampPairUnits, isFloor = false } = question;
  const slackUnits = Math.floor((question.toleranceUnits ?? 0) / 2);
  const ownUnits = barUnits + clampPairUnits;
  // What no side may be over: a load above its target stays within the rating.
  const ratedUnits =
    question.ratedUnits === undefined || question.ratedUnits === null
      ? Infinity
      : Math.floor((question.ratedUnits - ownUnits) / 2);
  const heaviest = isFloor ? Math.max(0, ...plates.map(({ massUnits }) => massUnits)) : 0;
  const limits = sets.map(({ targetUnits }) => Math.max(0, Math.floor((targetUnits - barUnits - clampPairUnits) / 2)));
  const most = Math.max(0, ...limits);
  const finders = new Map<string, SideFinder>();
  const known = new Map<string, SideWays>();
  const all = plates.map(({ pairs }) => pairs);
  return sets.map((set, i) => {
    const pairs = set.pairs ?? all;
    const key = pairs.join();
    const asked = `${key};${limits[i]}`;
    let answer = known.get(asked);
    if (!answer) {
      if (isLate()) {
        answer = heaviestThatFit(question, pairs, limits[i]!);
        known.set(asked, answer);
        return answer;
      }
      if (isOver()) {
        // No time for every choice: what the single load says, and no more.
        answer = withSingleLoad(nothing(plates.length), null, question, pairs, limits[i]!);
        known.set(asked, answer);
        return answer;
      }
      let finder = finders.get(key);
      if (!finder) finders.set(key, (finder = new SideFinder(plates, pairs, roomMm, most + heaviest, slackUnits)));
      answer = isFloor
        ? finder.near(limits[i]!, limits[i]! === 0 ? 0 : Math.max(limits[i]!, ratedUnits))
        : finder.atOrBelow(limits[i]!);
      // Where not every choice could be listed, the single load says what can be reached; it may take its time.
      if (answer.isCut) answer = withSingleLoad(answer, finder, question, pairs, limits[i]!);
      known.set(asked, answer);
    }
    return answer;
  });
}

/** Near, at once, and never over: not the nearest there is. */
function heaviestThatFit({ plates, roomMm }: SessionQuestion, pairs: readonly number[], limitUnits: number): SideWays {
  const counts = new Uint8Array(plates.length);
  let [left, room] = [limitUnits, roomMm ?? Infinity];
  for (const k of plates.map((_, place) => place).sort((a, b) => plates[b]!.massUnits - plates[a]!.massUnits)) {
    const { massUnits, thicknessMm } = plates[k]!;
    const byRoom = thicknessMm > 0 ? Math.floor((room + 1e-9) / thicknessMm) : Infinity;
    const count = Math.max(0, Math.min(pairs[k]!, Math.floor(left / massUnits), byRoom));
    counts[k] = count;
    left -= count * massUnits;
    room -= count * thicknessMm;
  }
  return { massUnits: limitUnits - left, ways: [counts], isCut: true };
}

/** The empty sleeve, with nobody knowing better. */
const nothing = (kinds: number): SideWays => ({ massUnits: 0, ways: [new Uint8Array(kinds)], isCut: true });

function withSingleLoad(
  answer: SideWays,
  finder: SideFinder | null,
  { plates, roomMm, isFloor = false, toleranceUnits = 0, ratedUnits, barUnits, clampPairUnits }: SessionQuestion,
  pairs: readonly number[],
  limitUnits: number,
): SideWays {
  const most = ratedUnits === undefined || ratedUnits === null ? null : ratedUnits - barUnits - clampPairUnits;
  const single = load({
    targetUnits: 2 * limitUnits,
    barUnits: 0,
    clampPairUnits: 0,
    roomMm,
    ratedUnits: most === null ? null : Math.max(2 * limitUnits, most),
    plates: plates.map(({ id, massUnits, thicknessMm }, k) => ({
      id,
      massUnits,
      thicknessMm,
      pairs: pairs[k]!,
      diameterMm: null,
      material: null,
    })),
    ending: "racked",
    rounding: "at-or-below",
    toleranceUnits: 0,
    ...(isFloor ? { floorUnits: toleranceUnits } : {}),
    onBar: null,
  });
  if (!single.ok) return answer;
  const offOf = (units: number) => Math.abs(units - 2 * limitUnits);
  const isWithin = isFloor && offOf(single.achievedUnits) <= toleranceUnits;
  const massUnits = isWithin ? limitUnits : single.achievedUnits / 2;
  // What was listed is kept where it is nearer than the single load.
  if (isFloor ? finder && offOf(2 * answer.massUnits) < offOf(2 * massUnits) : massUnits < answer.massUnits)
    return answer;
  const counts = new Uint8Array(plates.length);
  const place = new Map(plates.map(({ id }, k) => [id, k]));
  for (const id of single.perSide) counts[place.get(id)!]! += 1;
  if (!finder) return { massUnits, ways: [counts], isCut: true };
  const { ways } =
    massUnits === answer.massUnits ? answer : isFloor ? finder.between(massUnits, massUnits) : finder.around(massUnits);
  const others = ways.filter((way) => way.some((n, k) => n !== counts[k]));
  return { massUnits, ways: [counts, ...others], isCut: true };
}
