import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { inParts } from "@/app/inParts";
import { PURPOSES } from "@/core/matching/lifter";
import { KG_PER_LB } from "@/core/units/constants";
import { listStations } from "@/server/equipment";
import { listLifters } from "@/server/lifters";
import { allLifts, liftOf } from "@/server/lifts";
import { matchForLift } from "@/server/matching";
import { expecting } from "@/server/logbook";
import { type Context, keptBriefly, requestContext } from "@/server/access";
import { GUEST, guestLifter, readGuest } from "@/ui/match/guest";
import type { Lift } from "@/core/matching/lifts";
import { readMass, readUnit } from "@/ui/kit/massInput";
import { href, readSearch, type SearchParams, wholeIn } from "@/ui/kit/search";
import { MatchSheet } from "@/ui/match/MatchSheet";

/** A long wall is shown in parts: the best first. */
const SHOWN = 30;
const MAX_SHOWN = 400;

const USUAL_LOAD = { kg: "100", lb: "225" } as const;

/** What a lifter starts with on a straight bar, five repetitions with two left, by their log; null without one. */
async function startOf(
  context: Context,
  lifter: { id: string },
  liftKey: string,
  unit: "kg" | "lb",
): Promise<string | null> {
  const wish = { barId: "", setting: "", handsHelped: false, family: "power" as const, repetitions: 5, reserve: 2 };
  const kg = (await expecting(context, [lifter.id], liftKey)).of(lifter.id, wish)?.value;
  if (kg === undefined) return null;
  return unit === "kg" ? String(Math.round(kg / 2.5) * 2.5) : String(Math.round(kg / KG_PER_LB / 5) * 5);
}

/** Lifts that most gyms do every day; a lifter's own come first. */
const EVERYDAY = [
  "back-squat-high",
  "back-squat-low",
  "front-squat",
  "bench",
  "overhead-press",
  "deadlift",
  "row",
  "clean",
  "snatch",
];
const MAX_QUICK = 9;

function quickLifts(lifts: readonly Lift[], lifter: { usualLoads: object | null } | null): Lift[] {
  const keys = [...new Set([...Object.keys(lifter?.usualLoads ?? {}), ...EVERYDAY])];
  return keys.flatMap((key) => lifts.find((lift) => lift.key === key) ?? []).slice(0, MAX_QUICK);
}

export const metadata: Metadata = { title: "Match" };

/** Loads are typed in the person's own unit until the address names one, here and in the browser. */
async function lead({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  if (search.unit === undefined && context.actor.units.mass === "lb")
    redirect(href("/match", { ...search, unit: "lb" }));
}

async function MatchPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [liftRows, lifters, { items: stations }] = await Promise.all([
    allLifts(context),
    listLifters(context),
    listStations(context),
  ]);
  const lifts = liftRows.map(liftOf);
  const lift =
    lifts.find(({ key }) => key === search.lift) ?? lifts.find(({ key }) => key === "back-squat-high") ?? lifts[0]!;
  const lifter = lifters.find(({ key }) => key === search.lifter) ?? null;
  const guest = readGuest(search);
  const station = stations.find(({ key }) => key === search.at) ?? null;
  const unit = readUnit(search.unit);
  const typed = search.load ?? (lifter ? await startOf(context, lifter, lift.key, unit) : null) ?? USUAL_LOAD[unit];
  const load = readMass(typed, unit);
  const isGood = load !== null && load.kg > 0 && load.kg <= 2000;
  const shown = wholeIn(search.shown, MAX_SHOWN) ?? SHOWN;
  const purpose = PURPOSES.find((key) => key === search.purpose) ?? "general";
  const ask = isGood && {
    ...{ lift: lift.key, loadKg: load.kg, lifter: lifter?.key ?? null },
    ...{ purpose, at: station?.key, shown, guest: guest && guestLifter(guest) },
  };
  const result = ask
    ? await keptBriefly(context, `match ${JSON.stringify(ask)}`, (context) => matchForLift(context, ask))
    : null;
  return (
    <MatchSheet
      lifts={lifts}
      purpose={purpose}
      stations={stations}
      stationKey={station?.key ?? ""}
      lifters={lifters}
      liftKey={lift.key}
      lifterKey={guest ? GUEST : (lifter?.key ?? "")}
      guest={guest}
      quickLifts={quickLifts(lifts, lifter)}
      loadText={isGood ? load.typed : typed}
      unit={unit}
      loadKg={isGood ? load.kg : 0}
      matching={result?.ok ? result.matching : null}
      shown={shown}
      moreHref={(count) => href("/match", { ...search, shown: String(Math.min(count, MAX_SHOWN)) })}
      problem={
        isGood
          ? result && !result.ok
            ? result.message
            : null
          : `“${typed}” is not a load. Write 100, 100 kg or 225 lb, up to 2000 kg.`
      }
      comfort={lifter}
    />
  );
}

export default inParts(MatchPage, lead);
