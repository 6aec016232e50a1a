import { balance, type Balance } from "../balance/balance";
import { carryOn } from "../balance/carryOn";
import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { fixed, trimmed } from "../units/format";
import { type SteadyKind, STEADY_NAMES, steadyKindOf } from "./steadiness";
import { type ComparedAt, type ComparedLine, type Pair, FELT, apart } from "./comparedParts";

/** What changes for the body between two bars: lean, reach, weight on the neck, in lines added to `lines`. */
export function bodyLines(lines: ComparedLine[], pair: Pair, at: ComparedAt): void {
  const stands = pair.map(({ bar }) => standing(bar, at)) as [Balance | null, Balance | null];
  const [one, two] = stands;
  const [a, b] = pair.map(({ bar }) => bar.tag) as [string, string];
  if (one && two) {
    const [upright, leaning] = one.trunkLeanDeg <= two.trunkLeanDeg ? [a, b] : [b, a];
    const [less, more] = [one.trunkLeanDeg, two.trunkLeanDeg].sort((x, y) => x - y) as [number, number];
    lines.push({
      basis: "physics",
      text:
        more - less < FELT.leanDeg
          ? `The trunk leans the same: ${fixed(less, 0)}° with ${upright}, ${fixed(more, 0)}° with ${leaning}.`
          : `${upright} keeps the trunk ${fixed(more - less, 0)}° more upright: ${fixed(less, 0)}° against ${fixed(more, 0)}° with ${leaning}.`,
    });
    const hip = one.hipMomentNm / Math.max(1, one.kneeMomentNm) - two.hipMomentNm / Math.max(1, two.kneeMomentNm);
    if (Math.abs(hip) > 0.08)
      lines.push({
        basis: "physics",
        text: `${hip > 0 ? a : b} asks more of the hips, ${hip > 0 ? b : a} more of the knees, sitting as people do with each.`,
      });
    for (const [tag, stand] of [
      [a, one],
      [b, two],
    ] as const) {
      if (stand.rollTorqueNm > FELT.momentNm)
        lines.push({
          basis: "physics",
          text: `${tag} presses its pads on and wants to roll forward (${fixed(stand.rollTorqueNm, 0)} N·m).`,
        });
      else if (stand.rollTorqueNm < -FELT.momentNm)
        lines.push({
          basis: "physics",
          text: `${tag} wants to roll off the back (${fixed(-stand.rollTorqueNm, 0)} N·m): hands stay on.`,
        });
      if (stand.correctionReachMm !== null)
        lines.push({
          basis: "physics",
          text: `${tag} hangs: the hands can move its load ${fixed(stand.correctionReachMm, 0)} mm to put a slip right.`,
        });
    }
  }
  const reach = reachOf(pair);
  if (reach) lines.push(reach);
  const heavy = apart(pair, ({ bar }) => valueOf(bar, "mass"), FELT.kg);
  if (heavy)
    lines.push({
      basis: "data",
      text: `Empty, ${heavy.more.bar.tag} is ${trimmed(heavy.high - heavy.low, 1)} kg heavier: ${trimmed(heavy.high, 1)} kg against ${trimmed(heavy.low, 1)} kg.`,
    });
  const thick = apart(pair, ({ bar }) => valueOf(bar, "shaftDiameter"), FELT.shaftMm);
  if (thick && pair.every(({ bar }) => FAMILIES[bar.family].form === "straight"))
    lines.push({
      basis: "data",
      text: `${thick.more.bar.tag} is ${trimmed(thick.high - thick.low, 1)} mm thicker in the hand.`,
    });
  if (pair[0].bar.knurl && pair[1].bar.knurl && pair[0].bar.knurl !== pair[1].bar.knurl)
    lines.push({ basis: "data", text: `Knurl: ${a} ${pair[0].bar.knurl}, ${b} ${pair[1].bar.knurl}.` });
  const [kindA, kindB] = [steadyKindOf(pair[0].bar.family), steadyKindOf(pair[1].bar.family)];
  if (kindA && kindB && kindA !== kindB && at.lift.contact !== "hands") {
    const steadier = at.steadiness.indexOf(kindA) < at.steadiness.indexOf(kindB) ? 0 : 1;
    const place = (kind: SteadyKind) => at.steadiness.indexOf(kind) + 1;
    lines.push({
      basis: "house rule",
      text: `${pair[steadier]!.bar.tag} counts as steadier here: ${STEADY_NAMES[kindA]} is number ${place(kindA)} on the gym’s list, ${STEADY_NAMES[kindB]} number ${place(kindB)}.`,
      ...([kindA, kindB].includes("cambered") && [kindA, kindB].includes("straight")
        ? { others: "Some find the cambered bar steadier than the straight one." }
        : {}),
    });
  }
}

/** How a lifter of that build stands with the bar at level thighs; null where the lift is not carried. */
function standing(bar: Bar, { lift, loadKg, build }: ComparedAt): Balance | null {
  const carried = carryOn(bar, lift.like);
  if (!carried) return null;
  const own = valueOf(bar, "mass") ?? 20;
  const contactKg = own * carried.contactShare;
  return balance({
    lifter: build,
    pose: { shankLeanDeg: carried.shankLeanDeg, thighAngleDeg: 0 },
    carry: carried.carry,
    loadKg: Math.max(0, loadKg - contactKg),
    contactKg,
  });
}

const HANDLED: readonly string[] = ["yoke", "low-yoke", "adjustable-yoke", "cambered-yoke"];

function reachOf([a, b]: Pair): ComparedLine | null {
  const [x, y] = [HANDLED.includes(a.bar.family), HANDLED.includes(b.bar.family)];
  if (x === y) return null;
  const [handles, shaft] = x ? [a.bar, b.bar] : [b.bar, a.bar];
  const form = FAMILIES[shaft.family].form;
  if (form !== "straight" && form !== "bowed" && shaft.family !== "cambered") return null;
  return {
    basis: "common practice",
    text: `${handles.tag} is held by handles in front: nothing to reach back for, which spares shoulder, elbow and wrist.`,
  };
}
