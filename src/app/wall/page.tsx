import type { Metadata } from "next";
import { liftGroup } from "@/core/matching/liftGroups";
import { allLifts, liftOf } from "@/server/lifts";
import { wallAnswer } from "@/server/matching";
import { requestContext } from "@/server/access";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { WallScreen } from "@/ui/wall/WallScreen";

export const metadata: Metadata = { title: "Which bar?" };

const RETURN_AFTER_SECONDS = 45;

export default async function WallScreenPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [lifts, answer] = [await allLifts(context), search.lift ? await wallAnswer(context, search.lift) : null];
  const seconds = Number(search.return);
  return (
    <WallScreen
      hallName={context.actor.hallName}
      lifts={lifts.map((lift) => ({ key: lift.key, name: lift.name, group: liftGroup(liftOf(lift)) }))}
      answer={answer}
      returnAfter={seconds >= 1 && seconds <= 600 ? seconds : RETURN_AFTER_SECONDS}
    />
  );
}
