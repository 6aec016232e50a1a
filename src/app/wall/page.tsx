import type { Metadata } from "next";
import { allLifts } from "@/server/lifts";
import { wallAnswer } from "@/server/wallScreen";
import { whoIsAsking } from "@/server/who";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { WallScreen } from "@/ui/wall/WallScreen";

export const metadata: Metadata = { title: "Which bar?" };

const RETURN_AFTER_SECONDS = 45;

export default async function WallScreenPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await whoIsAsking();
  const search = await readSearch(searchParams);
  const [lifts, answer] = [await allLifts(who), search.lift ? await wallAnswer(who, search.lift) : null];
  const seconds = Number(search.return);
  return (
    <WallScreen
      hallName={who.hallName}
      lifts={lifts.map(({ key, name }) => ({ key, name }))}
      answer={answer}
      returnAfter={seconds >= 1 && seconds <= 600 ? seconds : RETURN_AFTER_SECONDS}
    />
  );
}
