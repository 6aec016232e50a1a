import type { Metadata } from "next";
import { redirect } from "next/navigation";
import type { Lift } from "@/core/matching/lifts";
import { barsByTag, barsOnTheWall } from "@/server/bars";
import { listLifts } from "@/server/equipment";
import { whoIsAsking } from "@/server/who";
import { readTags } from "@/core/bars/wallQuery";
import { CompareSheet, MOST_COMPARED } from "@/ui/compare/CompareSheet";
import { readMass } from "@/ui/kit/massInput";
import { href, readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Compare" };

const START_LOAD_KG = "220";

export default async function ComparePage({ searchParams }: { searchParams: SearchParams }) {
  const who = await whoIsAsking();
  const search = await readSearch(searchParams);
  const tags = readTags(search.bars, MOST_COMPARED);
  if (search.add)
    redirect(
      href("/compare", {
        bars: [...tags, search.add].slice(0, MOST_COMPARED).join(","),
        lift: search.lift,
        load: search.load,
        hands: search.hands,
      }),
    );
  const [found, wall, { items: lifts }] = await Promise.all([barsByTag(who, tags), barsOnTheWall(who), listLifts(who)]);
  const lift = lifts.find(({ key }) => key === search.lift) ?? lifts.find(({ key }) => key === "deadlift") ?? lifts[0]!;
  const load = readMass(search.load, "kg") ?? readMass(START_LOAD_KG, "kg")!;
  const hands = Number(search.hands);
  const isHandsSet =
    hands >= 0 &&
    hands <= 1200 &&
    search.hands !== undefined &&
    search.hands !== "" &&
    hands !== 2 * lift.supportHalfSpacingMm;
  return (
    <CompareSheet
      bars={found.map(({ bar }) => bar)}
      all={wall.map(({ bar }) => ({ tag: bar.tag, name: bar.name }))}
      unknownTags={tags.filter((tag) => !found.some(({ bar }) => bar.tag === tag))}
      lifts={lifts as Lift[]}
      lift={lift as Lift}
      loadKg={Math.min(Math.max(load.kg, 1), 2000)}
      loadText={load.typed}
      handsMm={isHandsSet ? hands : 2 * lift.supportHalfSpacingMm}
      isHandsSet={isHandsSet}
    />
  );
}
