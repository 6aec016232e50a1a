import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { cache } from "react";
import { inParts } from "@/app/inParts";
import { may, requestContext } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { allLifts } from "@/server/lifts";
import { loadable } from "@/server/loading";
import { lastLogChange, lifterByKey, lifterLog, loggableBars } from "@/server/logbook";
import { PageHead } from "@/ui/kit/PageHead";
import type { ShownLoad } from "@/ui/strength/logSheetProps";
import { LogSheet } from "@/ui/strength/LogSheet";
import { addSetsAction, deleteSetAction, editSetAction, importSetsAction, undoLogAction } from "./actions";
import { LifterNav } from "@/ui/lifters/LifterNav";

export const metadata: Metadata = { title: "Log" };

type Search = Record<"lift" | "bar" | "reps" | "left" | "sets", string | undefined>;

const whole = (text: string | undefined, least: number, most: number, start: number) => {
  const value = Number(text);
  return text && Number.isInteger(value) && value >= least && value <= most ? value : start;
};

interface Asked {
  params: Promise<{ key: string }>;
  searchParams: Promise<Search>;
}

/** The lifter of the address, where the reader may look at lifters. */
const lifterOf = cache(async (key: string) => {
  const context = await requestContext();
  return may(context, "lifter.read") ? await lifterByKey(context, key) : null;
});

async function lead({ params }: Asked) {
  if (!(await lifterOf((await params).key))) notFound();
}

async function LogPage({ params, searchParams }: Asked) {
  const [context, { key }, search] = [await requestContext(), await params, await searchParams];
  const row = (await lifterOf(key))!;
  const [liftKey, variant = ""] = (search.lift ?? "").split("~");
  const [log, lifts, bars, wall, last] = await Promise.all([
    lifterLog(context, row.id, liftKey ? { liftKey, variant } : {}),
    allLifts(context),
    loggableBars(context),
    barsOnTheWall(context),
    lastLogChange(context, row.id),
  ]);
  const shown = log.strength ?? log.lifts[0] ?? { liftKey: liftKey || lifts[0]!.key, variant };
  const lift = lifts.find((one) => one.key === (liftKey || shown.liftKey)) ?? lifts[0]!;
  const known = log.strength?.bars ?? [];
  const ask = {
    tag: bars.some(({ tag }) => tag === search.bar) ? search.bar! : (known[0]?.tag ?? bars[0]?.tag ?? ""),
    repetitions: whole(search.reps, 1, 12, 5),
    reserve: whole(search.left, 0, 5, 2),
  };
  const bar = bars.find(({ tag }) => tag === ask.tag);
  const expected: ShownLoad[] = [];
  if (bar) {
    const own = known.find(({ barId, handsHelped }) => barId === bar.id && !handsHelped);
    const load = log.expect({
      ...{ barId: bar.id, family: bar.family, setting: own?.setting ?? "", handsHelped: false },
      ...ask,
    });
    const real = wall.find((one) => one.id === bar.id)?.bar;
    if (load)
      expected.push({
        ...{ tag: bar.tag, name: bar.name, loadKg: load.value, lowKg: load.low, highKg: load.high },
        ...{ isFirst: load.isFirst, isLearning: load.isLearning },
        onBarKg: real ? (await loadable(context))(real, load.value) : null,
      });
  }
  return (
    <>
      <PageHead title={row.name} about="log and strength">
        <LifterNav lifter={row.key} here="log" />
      </PageHead>
      <LogSheet
        lifter={{ key: row.key, name: row.name }}
        log={log}
        lifts={lifts}
        lift={{ key: lift.key, name: lift.name, variant: log.strength?.variant ?? variant }}
        bars={bars.filter(({ isRetired, tag }) => !isRetired || known.some((one) => one.tag === tag))}
        ask={ask}
        expected={expected}
        isWhole={search.sets === "all"}
        today={context.clock.today}
        undo={last && { id: last.id, words: `${last.sets} ${last.sets === 1 ? "set" : "sets"} ${last.action}` }}
        actions={{
          ...{ add: addSetsAction, edit: editSetAction, remove: deleteSetAction },
          ...{ undo: undoLogAction, import: importSetsAction },
        }}
      />
    </>
  );
}

export default inParts(LogPage, lead);
