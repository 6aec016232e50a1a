import type { Metadata } from "next";
import { isUsable } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { liftGroup } from "@/core/matching/liftGroups";
import { allLifts, liftOf } from "@/server/lifts";
import { barsOnTheWall } from "@/server/bars";
import { wallAnswer } from "@/server/matching";
import { requestContext } from "@/server/access";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { WallScreen } from "@/ui/wall/WallScreen";

export const metadata: Metadata = { title: "Which bar?" };

const RETURN_AFTER_SECONDS = 45;
const IDLE_AFTER_SECONDS = 90;
/** More bars than these are too small to be told apart from three metres. */
const MAX_BARS = 32;

export default async function WallScreenPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [lifts, answer] = [await allLifts(context), search.lift ? await wallAnswer(context, search.lift) : null];
  const [seconds, idle] = [Number(search.return), Number(search.idle)];
  const wall = answer ? [] : await barsOnTheWall(context);
  return (
    <WallScreen
      hallName={context.actor.hallName}
      lifts={lifts.map((lift) => ({ key: lift.key, name: lift.name, group: liftGroup(liftOf(lift)) }))}
      answer={answer}
      bars={
        answer
          ? []
          : wall
              .filter(({ bar }) => isUsable(bar.state))
              .slice(0, MAX_BARS)
              .map(({ bar }) => ({ tag: bar.tag, name: bar.name, drawing: drawBar(bar) }))
      }
      idleAfter={idle >= 1 && idle <= 3600 ? idle : IDLE_AFTER_SECONDS}
      returnAfter={seconds >= 1 && seconds <= 600 ? seconds : RETURN_AFTER_SECONDS}
    />
  );
}
