import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { addDays } from "@/core/units/hallDay";
import { wearAlong } from "@/core/wear/wearAlong";
import { lookWords } from "@/core/wear/wearWords";
import { keepCareCurrent } from "@/server/upkeep";
import { plannedRoundOf, roundOf, type RoundStop } from "@/server/care/rounds";
import { barsByTag } from "@/server/bars";
import { grippedOn } from "@/server/logbook";
import { careTasksOf } from "@/server/care/planning";
import { type Context, keptBriefly, may, requestContext } from "@/server/access";
import { peopleWithPin } from "@/server/accounts";
import Link from "@/ui/kit/Link";
import { RoundScreen } from "@/ui/care/RoundScreen";
import { readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Round" };

const AHEAD = [0, 3, 7, 31];

/** Where hands wear the bars whose shaft is due, in words by tag. */
async function whereToLook(context: Context, stops: readonly RoundStop[]): Promise<Record<string, string>> {
  const tags = stops.flatMap(({ tag, tasks }) => (tasks.some(({ key }) => key === "shaft") ? [tag] : []));
  if (tags.length === 0) return {};
  const listed = await barsByTag(context, tags);
  const gripped = await grippedOn(
    context,
    listed.map(({ id }) => id),
  );
  return Object.fromEntries(
    listed.flatMap(({ id, bar }) => {
      const wear = wearAlong(bar, gripped.get(id) ?? []);
      const words = wear && lookWords(wear);
      return words ? [[bar.tag, words]] : [];
    }),
  );
}

async function RoundPage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  await keepCareCurrent(context);
  const tasks = await careTasksOf(context);
  const planned = search.plan ? await plannedRoundOf(context, search.plan) : null;
  if (search.plan && !planned)
    return (
      <p className="sheet p-6">
        This round is not planned any more: it was planned again.{" "}
        <Link href="/care/rounds" className="link">
          Start with what is due today
        </Link>
      </p>
    );
  const task = tasks.find(({ key }) => key === search.task)?.key ?? null;
  const ahead = AHEAD.find((days) => String(days) === search.ahead) ?? 0;
  const round =
    planned ??
    (await keptBriefly(context, `round ${task} ${ahead}`, (context) =>
      roundOf(context, { task, day: addDays(context.clock.today, ahead) }),
    ));
  const look = await keptBriefly(context, `look ${task} ${ahead} ${search.plan}`, (context) =>
    whereToLook(context, round.stops),
  );
  return (
    <RoundScreen
      look={look}
      key={`${search.plan ?? task} ${ahead} ${context.clock.today}`}
      round={round}
      tasks={tasks.map(({ key, name }) => ({ key, name }))}
      task={task ?? ""}
      ahead={ahead}
      planned={planned && { day: planned.day, person: planned.person, stations: planned.stations }}
      mayTick={may(context, "care.tick")}
      people={context.door.kind === "device" ? await peopleWithPin(context) : null}
    />
  );
}

export default inParts(RoundPage);
