import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { addDays, daysBetween, isHallDay } from "@/core/units/hallDay";
import { careCrew, careLately } from "@/server/care/log";
import { careDueList, neediestBars } from "@/server/care/due";
import { careTasksOf } from "@/server/care/planning";
import { keepCareCurrent } from "@/server/upkeep";
import { listFindings } from "@/server/care/findings";
import { may, requestContext } from "@/server/access";
import { placeNames } from "@/server/kit";
import { spotChecks } from "@/server/care/rounds";
import { CareSheet } from "@/ui/care/CareSheet";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { seenAction } from "../../wall/chalk/actions";
import { settleAction, tickAction, undoAction } from "./actions";

export const metadata: Metadata = { title: "Care" };

const AHEAD = [0, 7, 31];
/** More than so many at once nobody reads: the longest overdue of them are shown. */
const MAX_ITEMS = 60;

async function CarePage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  // One bar's page of care looks ahead, so that a link from a bar never leads to an empty list.
  const ahead = AHEAD.find((days) => String(days) === search.ahead) ?? (search.bar ? 31 : 0);
  await keepCareCurrent(context);
  const only = { task: search.task, tag: search.bar, place: search.place };
  const [tasks, findings, due, log, crew, places, checks, needy] = await Promise.all([
    careTasksOf(context),
    listFindings(context, { openOnly: true }),
    careDueList(context, addDays(context.clock.today, ahead), only, MAX_ITEMS),
    careLately(context),
    careCrew(context),
    placeNames(context.hall),
    search.bar ? [] : spotChecks(context),
    search.bar ? [] : neediestBars(context),
  ]);
  const query = {
    task: search.task ?? "",
    bar: search.bar ?? "",
    place: search.place ?? "",
    ahead,
    by:
      crew.find(({ id }) => id === search.by)?.id ??
      crew.find(({ id }) => id === context.actor.personId)?.id ??
      crew[0]?.id ??
      "",
    on:
      search.on && isHallDay(search.on) && daysBetween(search.on, context.clock.today) >= 0
        ? search.on
        : context.clock.today,
  };
  const { items } = due;
  return (
    <CareSheet
      items={items}
      count={due.count}
      late={due.late}
      minutes={due.minutes}
      log={log.filter((entry) => query.bar === "" || entry.tag === query.bar)}
      query={query}
      tasks={tasks.map(({ key, name }) => ({ key, name }))}
      findings={findings}
      settleAction={settleAction}
      checks={checks}
      needy={needy}
      seenAction={seenAction}
      places={places}
      crew={crew}
      today={context.clock.today}
      mayTick={may(context, "care.tick")}
      keys={items.map(() => randomUUID())}
      tickAction={tickAction}
      undoAction={undoAction}
    />
  );
}

export default inParts(CarePage);
