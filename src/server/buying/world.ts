import "server-only";
import type { Bar } from "@/core/bars/bar";
import {
  asIfHere,
  type GainWant,
  offeredVerdicts,
  type OwnedVerdict,
  ownedVerdicts,
  VERDICT_POINTS,
} from "@/core/buying/offerGain";
import type { PurchaseNeed } from "@/core/buying/purchaseQuestion";
import type { Lift } from "@/core/matching/lifts";
import { gradeBar } from "@/core/matching/match";
import { rankOf, type Verdict } from "@/core/matching/verdict";
import { type Context, keptBriefly } from "@/server/access";
import { hallWants } from "@/server/matching";

/** Lifts of the busiest class count twice: that is when bars are short. */
const BUSY_WEIGHT = 2;
/** How many lifters take turns on one bar in a block before somebody waits. */
const SHARING = 2;

/** People, lifts and bars as a purchase looks at them. */
export interface BuyingWorld {
  bars: Bar[];
  lifts: Lift[];
  wants: GainWant[];
  owned: OwnedVerdict[];
  rules: Awaited<ReturnType<typeof hallWants>>["question"]["rules"];
  today: string;
  /** Bars on which more lean in a block of the busiest class than can take turns, and who they are. */
  crowded: { tag: string; name: string; waiting: number; people: string[]; wants: GainWant[] }[];
  busyName: string | null;
}

async function readWorld(context: Context): Promise<BuyingWorld> {
  const { question, wants: usual, busy } = await hallWants(context);
  const { bars, lifts, rules, today } = question;
  const byKey = new Map(lifts.map((lift) => [lift.key, lift]));
  const inClass = new Set(busy?.wants.map(({ person, lift }) => `${person} ${lift}`));
  const all = usual.length > 0 || busy ? mergedWants(usual, busy?.wants ?? []) : [];
  const wants: GainWant[] =
    all.length > 0
      ? all.flatMap(({ lift: key, ...want }) => {
          const lift = byKey.get(key);
          return lift ? [{ ...want, lift, weight: inClass.has(`${want.person} ${key}`) ? BUSY_WEIGHT : 1 }] : [];
        })
      : // A gym without lifters on file: every lift once, at its usual load.
        lifts.map((lift) => ({ person: "anyone", personName: "anyone", lift, loadKg: lift.usualKg, weight: 1 }));
  const owned = ownedVerdicts({ wants, bars, rules, today });
  return {
    ...{ bars, lifts, wants, owned, rules, today },
    crowded: busy ? crowdedBars(bars, byKey, busy, rules, today) : [],
    busyName: busy?.name ?? null,
  };
}

type Wants = Awaited<ReturnType<typeof hallWants>>["wants"];

/** Everybody's lifts, those of the class too, each once. */
function mergedWants(usual: Wants, busy: Wants): Wants {
  const known = new Set(usual.map(({ person, lift }) => `${person} ${lift}`));
  return [...usual, ...busy.filter(({ person, lift }) => !known.has(`${person} ${lift}`))];
}

/** Bars that are alone the best for more people of a block than can take turns. */
function crowdedBars(
  bars: readonly Bar[],
  lifts: ReadonlyMap<string, Lift>,
  busy: { blocks: number; wants: Wants },
  rules: BuyingWorld["rules"],
  today: string,
): BuyingWorld["crowded"] {
  const leaning = new Map<string, GainWant[]>();
  for (const { lift: key, ...want } of busy.wants) {
    const lift = lifts.get(key);
    if (!lift) continue;
    const ranks = bars.map((bar) => rankOf(gradeBar(bar, lift, want.loadKg, { lifter: want.lifter, rules, today })));
    const best = Math.min(...ranks);
    const firsts = bars.filter((_, i) => ranks[i] === best);
    // Where several are as good, nobody has to wait for one of them.
    if (firsts.length === 1) {
      const { tag } = firsts[0]!;
      leaning.set(tag, [...(leaning.get(tag) ?? []), { ...want, lift, weight: BUSY_WEIGHT }]);
    }
  }
  return [...leaning].flatMap(([tag, wants]) => {
    const waiting = Math.ceil(wants.length / Math.max(1, busy.blocks)) - SHARING;
    const people = [...new Set(wants.map(({ personName }) => personName))];
    return waiting > 0 ? [{ tag, name: bars.find((bar) => bar.tag === tag)!.name, waiting, people, wants }] : [];
  });
}

/** The world, worked out once until something of it changes. */
export const buyingWorld = (context: Context): Promise<BuyingWorld> => keptBriefly(context, "buying world", readWorld);

/** What waiting at a crowded bar costs each of those who wait, in points: as from usable to good. Ours. */
const WAITING_POINTS = VERDICT_POINTS.good - VERDICT_POINTS.usable;

/** Relief at the busiest hour as needs: offers that suit everybody who leans on a crowded bar as well take some of them. */
export function reliefNeeds(
  { crowded, rules, today }: BuyingWorld,
  offers: readonly { id: string; bar: Bar; quantity: number }[],
): PurchaseNeed[] {
  return crowded.flatMap(({ tag, waiting, wants }) =>
    Array.from({ length: waiting }, (_, seat): PurchaseNeed => {
      const copies = Math.ceil((seat + 1) / SHARING);
      return {
        id: `waiting ${tag} ${seat}`,
        weight: BUSY_WEIGHT,
        owned: 0,
        offers: offers.flatMap(({ id, bar, quantity }) => {
          const verdicts = offeredVerdicts([asIfHere(bar)], { wants, rules, today }).flat();
          const suits = verdicts.filter((verdict) => rankOf(verdict) <= rankOf("good")).length;
          return suits > seat && quantity >= copies ? [{ id, points: WAITING_POINTS, copies }] : [];
        }),
      };
    }),
  );
}

/** Verdicts of offers for everybody's lifts. */
export const verdictsOf = ({ wants, rules, today }: BuyingWorld, bars: readonly Bar[]): Verdict[][] =>
  offeredVerdicts(bars, { wants, rules, today });
