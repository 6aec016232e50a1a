import type { Metadata } from "next";
import { isUsable } from "@/core/bars/bar";
import { barsOnTheWall } from "@/server/bars";
import { whoIsAsking } from "@/server/who";
import { ChalkScreen } from "@/ui/wall/ChalkScreen";
import { chalkAction } from "./actions";

export const metadata: Metadata = { title: "Chalk left on" };

export default async function ChalkPage() {
  const who = await whoIsAsking();
  const bars = (await barsOnTheWall(who)).filter(({ bar }) => isUsable(bar.state));
  return (
    <ChalkScreen bars={bars.map(({ bar, place }) => ({ tag: bar.tag, name: bar.name, place }))} action={chalkAction} />
  );
}
