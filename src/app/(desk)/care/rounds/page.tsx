import type { Metadata } from "next";
import { addDays } from "@/core/units/hallDay";
import { keepCareCurrent } from "@/server/housekeeping";
import { roundOf } from "@/server/careRound";
import { careTasksOf } from "@/server/careTasks";
import { may } from "@/server/permissions";
import { whoIsAsking } from "@/server/who";
import { RoundScreen } from "@/ui/care/RoundScreen";
import { readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Round" };

const AHEAD = [0, 3, 7, 31];

export default async function RoundPage({ searchParams }: { searchParams: SearchParams }) {
  const [who, search] = [await whoIsAsking(), await readSearch(searchParams)];
  await keepCareCurrent(who);
  const tasks = await careTasksOf(who);
  const task = tasks.find(({ key }) => key === search.task)?.key ?? null;
  const ahead = AHEAD.find((days) => String(days) === search.ahead) ?? 0;
  const round = await roundOf(who, { task, day: addDays(who.today, ahead) });
  return (
    <RoundScreen
      key={`${task} ${ahead} ${who.today}`}
      round={round}
      tasks={tasks.map(({ key, name }) => ({ key, name }))}
      task={task ?? ""}
      ahead={ahead}
      mayTick={may(who, "care.tick")}
    />
  );
}
