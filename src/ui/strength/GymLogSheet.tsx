import type { GymLog, GymSet } from "@/server/logbook";
import { AskChoice } from "../kit/AskChoice";
import { optionsUpTo } from "../kit/optionsUpTo";
import { AskForm } from "../kit/AskForm";
import { BarTag } from "../kit/BarTag";
import { DataTable, type DataColumn, type DataRow } from "../kit/DataTable";
import Link from "../kit/Link";
import { Day, Kg, UnitName } from "../kit/shown";
import { LOG_SPANS } from "./logSpans";

interface Props {
  log: GymLog;
  days: number;
  asked: { lifter: string; lift: string; bar: string };
  lifters: readonly { key: string; name: string }[];
  lifts: readonly { key: string; name: string }[];
  tags: readonly string[];
}

const COLUMNS: DataColumn[] = [
  { key: "on", head: "day" },
  { key: "lifter", head: "lifter" },
  { key: "lift", head: "lift", isWide: true },
  { key: "bar", head: "bar" },
  { key: "setting", head: "setting", isHidden: true },
  {
    key: "load",
    head: (
      <>
        load <UnitName of="kg" />
      </>
    ),
    name: "load kg",
    isNumber: true,
  },
  { key: "repetitions", head: "reps", isNumber: true },
  { key: "reserve", head: "reps left", isNumber: true, isWide: true },
  { key: "made", head: "made", isWide: true },
  { key: "note", head: "note", isWide: true },
];

/** What everybody lifted lately, the newest first. */
export function GymLogSheet({ log: { sets, isCut }, days, asked, lifters, lifts, tags }: Props) {
  const liftName = new Map(lifts.map(({ key, name }) => [key, name]));
  const people = new Set(sets.map(({ lifterKey }) => lifterKey)).size;
  const missed = sets.filter(({ isMade }) => !isMade).length;
  const any = (words: string): readonly (readonly [string, string])[] => [["", words]];
  const listed = (words: string, options: readonly (readonly [string, string])[] | null) =>
    options && [...any(words), ...options];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <AskForm action="/logbook" label="Which sets" className="flex flex-wrap gap-x-5">
        <AskChoice
          name="days"
          word="of the last"
          value={String(days)}
          options={LOG_SPANS.map(([count, words]) => [String(count), words] as const)}
        />
        <AskChoice
          name="lifter"
          word="by"
          value={asked.lifter}
          options={listed(
            "everyone",
            optionsUpTo(lifters, ({ key, name }) => [key, name]),
          )}
        />
        <AskChoice
          name="lift"
          word="lift"
          value={asked.lift}
          options={listed(
            "any",
            optionsUpTo(lifts, ({ key, name }) => [key, name]),
          )}
        />
        <AskChoice
          name="bar"
          word="bar"
          value={asked.bar}
          options={listed(
            "any",
            optionsUpTo(tags, (tag) => [tag, tag]),
          )}
        />
      </AskForm>
      <p className="text-lg font-semibold">
        {sets.length === 0
          ? "No sets in that time."
          : `${sets.length}${isCut ? " or more" : ""} ${sets.length === 1 ? "set" : "sets"} by ${people} ${people === 1 ? "lifter" : "lifters"}${missed > 0 ? `, ${missed} missed` : ""}.`}
      </p>
      {sets.length > 0 && (
        <section className="sheet" aria-label="Sets">
          <DataTable
            label="sets"
            columns={COLUMNS}
            rows={sets.map((set) => rowOf(set, liftName.get(set.liftKey) ?? set.liftKey))}
            empty="No sets in that time."
          />
        </section>
      )}
      <p className="text-quiet text-sm">
        Sets come from run sheets as they are ticked, or are added in a lifter’s own log: open it by the name.
      </p>
    </div>
  );
}

function rowOf(set: GymSet, liftName: string): DataRow {
  return {
    id: set.id,
    cells: {
      on: { value: set.on, node: <Day on={set.on} /> },
      lifter: {
        value: set.lifter,
        node: (
          <Link
            href={`/lifters/${set.lifterKey}/log`}
            className="inline-flex min-h-11 items-center font-semibold hover:underline"
          >
            {set.lifter}
          </Link>
        ),
      },
      lift: { value: set.variant ? `${liftName}, ${set.variant}` : liftName },
      bar: { value: set.tag, node: <BarTag tag={set.tag} /> },
      setting: { value: set.setting || null },
      load: { value: set.loadKg, node: <Kg value={set.loadKg} decimals={1} isBare /> },
      repetitions: { value: set.repetitions },
      reserve: { value: set.reserve },
      made: { value: set.isMade ? "made" : "missed", node: set.isMade ? undefined : <strong>missed</strong> },
      note: { value: set.note },
    },
  };
}
