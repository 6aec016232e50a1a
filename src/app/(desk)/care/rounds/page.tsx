import type { Metadata } from "next";
import { addDays } from "@/core/units/hallDay";
import { keepCareCurrent } from "@/server/upkeep";
import { roundOf } from "@/server/care/rounds";
import { careTasksOf } from "@/server/care/planning";
import { keptBriefly, may, requestContext } from "@/server/access";
import { RoundScreen } from "@/ui/care/RoundScreen";
import { readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Round" };

const AHEAD = [0, 3, 7, 31];

export default async function RoundPage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  await keepCareCurrent(context);
  const tasks = await careTasksOf(context);
  const task = tasks.find(({ key }) => key === search.task)?.key ?? null;
  const ahead = AHEAD.find((days) => String(days) === search.ahead) ?? 0;
  const round = await keptBriefly(context, `round ${task} ${ahead}`, (context) =>
    roundOf(context, { task, day: addDays(context.clock.today, ahead) }),
  );
  return (
    <RoundScreen
      key={`${task} ${ahead} ${context.clock.today}`}
      round={round}
      tasks={tasks.map(({ key, name }) => ({ key, name }))}
      task={task ?? ""}
      ahead={ahead}
      mayTick={may(context, "care.tick")}
    />
  );
}
