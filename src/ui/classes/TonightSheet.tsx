import { isUsable } from "@/core/bars/bar";
import type { PlannedClass } from "@/core/classes/planClass";
import { PURPOSE_WORDS } from "@/core/matching/lifter";
import { trimmed } from "@/core/units/format";
import type { ClassDetails } from "@/server/classes";
import { KnurlPatterns } from "../kit/BarDrawing";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import type { PlateFaces } from "../load/Sleeve";
import { Say } from "../kit/shown";
import { boardOf } from "./boardModel";
import { BrushDuty } from "./BrushDuty";
import { BrokenPlan } from "./BrokenPlan";
import { ClassBoard } from "./ClassBoard";
import { AddEntryForm, AssignForm, ReassignForm } from "./EntryForms";
import { LockForm } from "./LockForm";
import { PlatesNote } from "./PlatesNote";

/** A class is proven only together with its plates. */
function provenWords({ isProven, plates }: PlannedClass): string {
  const isShort = plates !== undefined && (!plates.isServed || (plates.sets?.short.length ?? 0) > 0);
  if (isProven && !isShort)
    return plates
      ? "Nothing better can be done with these plates: it is proven."
      : "Nothing better can be done: it is proven.";
  if (isShort) return "The plates are short.";
  return "It could not be proven that nothing better can be done.";
}

/** From so many lifts on an evening is busy. Ours. */
const BUSY_FROM = 8;

interface Choice {
  key: string;
  name: string;
}

interface Props {
  details: ClassDetails;
  times: readonly string[];
  stations: readonly Choice[];
  lifters: readonly Choice[];
  lifts: readonly Choice[];
  usual: Readonly<Record<string, string>>;
  /** Plates of one side by entry, inside first, and how plates look. */
  plates: ReadonlyMap<string, readonly string[]>;
  faces: PlateFaces;
  actions: {
    add: FormAction;
    lock: FormAction;
    assign: FormAction;
    reassign: FormAction;
    move: FormAction;
    brush: FormAction;
  };
}

/** A class as the coach sees it: who wants what, what is fixed, and where everybody is with which bar and why. */
export function TonightSheet({ details, times, stations, lifters, lifts, usual, plates, faces, actions }: Props) {
  const { row, items, plan, bars, breaks } = details;
  const tags = bars.filter(({ state }) => isUsable(state)).map(({ tag }) => tag);
  const nowhere = plan?.entries.filter(({ block }) => block === null) ?? [];
  const itemOf = (id: string) => items.find((item) => item.id === id);
  return (
    <div className="grid gap-3">
      {plan && (breaks.size > 0 || details.warnings.length > 0) && (
        <div className="-mb-3">
          <BrokenPlan details={details}>
            <ReassignForm classId={row.id} action={actions.reassign} />
          </BrokenPlan>
        </div>
      )}
      {plan ? (
        <section aria-label="The plan" className="sheet px-4 py-3">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <p className="text-sm">
              <strong>
                {nowhere.length === 0 && breaks.size === 0
                  ? `All ${items.length} are placed`
                  : `${items.length - new Set([...nowhere.map(({ id }) => id), ...breaks.keys()]).size} of ${items.length} are placed`}
              </strong>
              {breaks.size > 0
                ? "."
                : `, with ${trimmed(100 * plan.fit, 0)} % of the fit that everybody would have alone. ${provenWords(plan)}`}
            </p>
            <div className="flex flex-wrap gap-2">
              <Link href={`/classes/${row.id}/sheet`} className="btn btn-sm btn-neutral">
                Sheet to print
              </Link>
              <Link href={`/classes/${row.id}/plates`} className="btn btn-sm btn-outline">
                Plates for all stations
              </Link>
              <AssignForm classId={row.id} isAgain action={actions.assign} />
            </div>
          </div>
          <BrushDuty
            classId={row.id}
            version={row.version}
            brushBy={row.brushBy}
            names={[...new Set(items.map(({ lifterName }) => lifterName))]}
            isBusy={items.length >= BUSY_FROM}
            action={actions.brush}
          />
          {breaks.size === 0 && plan.plates && <PlatesNote plates={plan.plates} classId={row.id} />}
          {nowhere.length > 0 && (
            <ul className="border-l-error mt-2 border-l-4 pl-3 text-sm">
              {nowhere.map(({ id, tradeOff }) => (
                <li key={id}>
                  <strong>
                    {itemOf(id)?.lifterName}, {itemOf(id)?.liftName}
                  </strong>{" "}
                  is unassigned. {tradeOff}
                </li>
              ))}
            </ul>
          )}
          <div className="mt-3">
            <KnurlPatterns />
            <ClassBoard
              classId={row.id}
              board={boardOf(details, stations, plates)}
              {...{ times, faces, tags }}
              action={actions.move}
            />
          </div>
        </section>
      ) : (
        <section
          aria-label="The plan"
          className="sheet flex flex-wrap items-center justify-between gap-3 px-4 py-3 text-sm"
        >
          <p>
            {items.length === 0
              ? "Nobody is in this class yet: add lifters below."
              : `${items.length} ${items.length === 1 ? "lift" : "lifts"} to assign.`}
          </p>
          {items.length > 0 && <AssignForm classId={row.id} isAgain={false} action={actions.assign} />}
        </section>
      )}

      <section aria-label="Who wants what" className="sheet">
        <h2 className="px-4 pt-3 font-bold">Who wants what</h2>
        <ul className="divide-base-300 divide-y">
          {items.map((item) => (
            <li
              key={item.id}
              className="grid items-center gap-x-4 gap-y-1 px-4 py-1.5 text-sm md:grid-cols-[11rem_minmax(0,1fr)_auto]"
            >
              <Link href={`/lifters/${item.lifter}`} className="font-semibold hover:underline">
                {item.lifterName}
              </Link>
              <Link
                href={`/match?lift=${item.lift}&load=${item.load.replace(" ", "")}&lifter=${item.lifter}&purpose=${item.purpose}`}
                className="hover:underline"
              >
                {item.liftName}{" "}
                <strong className="tabular-nums">
                  <Say text={item.load} />
                </strong>
                {item.purpose !== "general" && <span className="text-quiet"> for {PURPOSE_WORDS[item.purpose]}</span>}
              </Link>
              <LockForm
                key={`${item.lockedBlock}${item.lockedStation}${item.lockedTag}`}
                classId={row.id}
                item={item}
                blocks={times}
                stations={stations}
                tags={tags}
                action={actions.lock}
              />
            </li>
          ))}
        </ul>
        <div className="border-base-300 border-t px-4 py-3">
          {lifters.length === 0 ? (
            <p className="text-sm">
              No lifters yet.{" "}
              <Link href="/lifters/new" className="link">
                Add the first
              </Link>
              .
            </p>
          ) : (
            <AddEntryForm
              key={items.length}
              classId={row.id}
              lifters={lifters}
              lifts={lifts}
              usual={usual}
              action={actions.add}
            />
          )}
        </div>
      </section>
    </div>
  );
}
