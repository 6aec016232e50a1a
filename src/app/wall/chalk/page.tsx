import type { Metadata } from "next";
import { isUsable } from "@/core/bars/bar";
import { barsOnTheWall } from "@/server/bars";
import { spotChecks } from "@/server/care/rounds";
import { requestContext } from "@/server/access";
import { ChalkScreen } from "@/ui/wall/ChalkScreen";
import { seenAction } from "./actions";

export const metadata: Metadata = { title: "Chalk left on" };

export default async function ChalkPage() {
  const context = await requestContext();
  const [wall, checks] = await Promise.all([barsOnTheWall(context), spotChecks(context)]);
  return (
    <ChalkScreen
      bars={wall
        .filter(({ bar }) => isUsable(bar.state))
        .map(({ bar, place }) => ({ tag: bar.tag, name: bar.name, place }))}
      toLookAt={checks.filter(({ isLookedAt, chalkSeenOn }) => !isLookedAt || chalkSeenOn !== null)}
      action={seenAction}
    />
  );
}
