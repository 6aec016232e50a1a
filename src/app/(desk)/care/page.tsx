import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { addDays, daysBetween, isHallDay } from "@/core/units/hallDay";
import { careCrew, careLately } from "@/server/care";
import { careDueList } from "@/server/careDue";
import { careTasksOf } from "@/server/careTasks";
import { keepCareCurrent } from "@/server/housekeeping";
import { listFindings } from "@/server/findings";
import { may } from "@/server/permissions";
import { placeNames } from "@/server/lookups";
import { spotChecks } from "@/server/spotChecks";
import { hallDb, whoIsAsking } from "@/server/who";
import { CareSheet } from "@/ui/care/CareSheet";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { seenAction } from "../../wall/chalk/actions";
import { settleAction, tickAction, undoAction } from "./actions";

export const metadata: Metadata = { title: "Care" };

const AHEAD = [0, 7, 31];
/** More than so many at once nobody reads: the longest overdue of them are shown. */
const MOST_ITEMS = 200;

export default async function CarePage({ searchParams }: { searchParams: SearchParams }) {
  const who = await whoIsAsking();
  const search = await readSearch(searchParams);
  // One bar's page of care looks ahead, so that a link from a bar never leads to an empty list.
  const ahead = AHEAD.find((days) => String(days) === search.ahead) ?? (search.bar ? 31 : 0);
  await keepCareCurrent(who);
  const only = { task: search.task, tag: search.bar, place: search.place };
  const [tasks, findings, due, log, crew, places, checks] = await Promise.all([
    careTasksOf(who),
    listFindings(who, { openOnly: true }),
    careDueList(who, addDays(who.today, ahead), only, MOST_ITEMS),
    careLately(who),
    careCrew(who),
    placeNames(hallDb(who)),
    search.bar ? [] : spotChecks(who),
  ]);
  const query = {
    task: search.task ?? "",
    bar: search.bar ?? "",
    place: search.place ?? "",
    ahead,
    by:
      crew.find(({ id }) => id === search.by)?.id ??
      crew.find(({ id }) => id === who.personId)?.id ??
      crew[0]?.id ??
      "",
    on: search.on && isHallDay(search.on) && daysBetween(search.on, who.today) >= 0 ? search.on : who.today,
  };
  const items = due.items.sort(
    (a, b) =>
      a.placeOrder - b.placeOrder || (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0) || (a.dueOn < b.dueOn ? -1 : 1),
  );
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
      seenAction={seenAction}
      places={places}
      crew={crew}
      today={who.today}
      mayTick={may(who, "care.tick")}
      keys={items.map(() => randomUUID())}
      tickAction={tickAction}
      undoAction={undoAction}
    />
  );
}
