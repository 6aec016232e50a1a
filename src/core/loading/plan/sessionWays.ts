import { load } from "../load";
import type { SessionQuestion } from "./sessionQuestion";
import { SideFinder, type SideWays } from "./sideWays";

/**
 * What each set is loaded to, with every choice of plates that does it; sets that ask for the same with the same plates
 * at hand share one list.
 *
 * @param isOver where not every choice could be listed, single loads are asked for until then
 * @returns choices of one side by set, with the nearest that is reached in mass units
 */
export function sideWaysOf(question: SessionQuestion, isOver: () => boolean = () => false): SideWays[] {
  const { sets, plates, roomMm, barUnits, clampPairUnits } = question;
  const slackUnits = Math.floor((question.toleranceUnits ?? 0) / 2);
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
      let finder = finders.get(key);
      if (!finder) finders.set(key, (finder = new SideFinder(plates, pairs, roomMm, most, slackUnits)));
      answer = finder.atOrBelow(limits[i]!);
      // Where not every choice could be listed, the single load says what can be reached; it may take its time.
      if (answer.isCut && !isOver()) answer = withSingleLoad(answer, finder, question, pairs, limits[i]!);
      known.set(asked, answer);
    }
    return answer;
  });
}

function withSingleLoad(
  answer: SideWays,
  finder: SideFinder,
  { plates, roomMm }: SessionQuestion,
  pairs: readonly number[],
  limitUnits: number,
): SideWays {
  const single = load({
    targetUnits: 2 * limitUnits,
    barUnits: 0,
    clampPairUnits: 0,
    roomMm,
    ratedUnits: null,
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
    onBar: null,
  });
  if (!single.ok || single.achievedUnits < 2 * answer.massUnits) return answer;
  const counts = new Uint8Array(plates.length);
  const place = new Map(plates.map(({ id }, k) => [id, k]));
  for (const id of single.perSide) counts[place.get(id)!]! += 1;
  const massUnits = single.achievedUnits / 2;
  const { ways } = massUnits === answer.massUnits ? answer : finder.around(massUnits);
  const others = ways.filter((way) => way.some((n, k) => n !== counts[k]));
  return { massUnits, ways: [counts, ...others], isCut: true };
}
