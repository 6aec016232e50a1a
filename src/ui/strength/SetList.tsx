"use client";

import { setText } from "@/core/strength/logLines";
import { totalWork, workOf } from "@/core/strength/workload";
import { trimmed } from "@/core/units/format";
import type { LogItem } from "@/server/logbook";
import { dayText } from "@/core/units/dates";
import type { FormAction } from "../kit/formState";
import { EditSetForm, OneTouchForm } from "./LogForms";
import type { BarChoice } from "./SetFields";
import { Kg, useShown } from "../kit/shown";
import { useOpened } from "../kit/useOpened";

interface Props {
  lifter: string;
  /** Sets of one day on one bar together, newest first. */
  groups: readonly (readonly LogItem[])[];
  bars: readonly BarChoice[];
  lifts: readonly { key: string; name: string }[];
  today: string;
  actions: { edit: FormAction; remove: FormAction };
}

const SOURCES = { run: "run sheet", typed: "", imported: "imported" } as const;

/** Sets by day and bar; what it takes to change one is made when somebody opens it. */
export function SetList({ groups, ...rest }: Props) {
  return (
    <ul className="divide-base-300 divide-y text-sm">
      {groups.map((group, i) => (
        <SetGroup
          key={group[0]!.id}
          group={group}
          // The first of a day says what the whole session came to.
          session={
            group[0]!.on === groups[i - 1]?.[0]!.on
              ? null
              : groups.filter(([first]) => first!.on === group[0]!.on).flat()
          }
          {...rest}
        />
      ))}
    </ul>
  );
}

/** "120 kg × 3 1 left"; what was typed in the other unit stands behind the mass as this person reads it. */
function SetWords({ set }: { set: LogItem }) {
  const { units } = useShown();
  const typed = `${set.loadValue} ${set.loadUnit}`;
  return (
    <span className={`whitespace-nowrap ${set.isMade ? "" : "text-error"}`}>
      <strong className="tabular-nums">
        {units.mass === set.loadUnit ? (
          typed
        ) : (
          <>
            <Kg value={set.loadKg} decimals={2} /> ({typed})
          </>
        )}{" "}
        × {set.repetitions}
      </strong>
      {set.reserve !== null && <span className="text-quiet"> {trimmed(set.reserve, 1)} left</span>}
      {set.isMade ? (
        <span className="text-quiet text-xs">
          {" "}
          = <Kg value={workOf(set)} decimals={0} />
        </span>
      ) : (
        " missed"
      )}
    </span>
  );
}

function SetGroup({
  group,
  session,
  lifter,
  bars,
  lifts,
  today,
  actions,
}: Omit<Props, "groups"> & { group: readonly LogItem[]; session: readonly LogItem[] | null }) {
  const { isOpen, fold } = useOpened();
  const first = group[0]!;
  const more = [first.setting, first.handsHelped && "hands helped", first.note, SOURCES[first.source]].filter(Boolean);
  return (
    <li>
      <details {...fold}>
        <summary className="grid min-h-11 cursor-pointer grid-cols-[6rem_minmax(0,1fr)_auto] items-center gap-x-3 py-1 sm:grid-cols-[7rem_4rem_minmax(0,1fr)_auto]">
          <span className="text-quiet leading-tight whitespace-nowrap">
            {dayText(first.on, today)}
            {session && (
              <span className="block text-xs tabular-nums" title="load × repetitions of the whole session">
                <Kg value={totalWork(session)} decimals={0} />
              </span>
            )}
          </span>
          <span className="bar-tag hidden justify-self-start sm:inline">{first.tag}</span>
          <span className="flex flex-wrap gap-x-4">
            <span className="font-semibold sm:hidden">{first.tag}</span>
            {group.map((set) => (
              <SetWords key={set.id} set={set} />
            ))}
            {more.length > 0 && <span className="text-quiet">{more.join(", ")}</span>}
          </span>
          <span className="link text-xs">Edit</span>
        </summary>
        {isOpen &&
          group.map((set) => (
            <div key={set.id} className="border-base-300 border-l-4 pb-2 pl-3">
              <EditSetForm
                id={set.id}
                version={set.version}
                lifter={lifter}
                start={{
                  ...{ on: set.on, lift: set.liftKey, tag: set.tag, setting: set.setting, variant: set.variant },
                  ...{ note: set.note ?? "", handsHelped: set.handsHelped ? "on" : "", lines: setText(set) },
                }}
                bars={bars}
                lifts={lifts}
                today={today}
                action={actions.edit}
              />
              <OneTouchForm
                fields={{ lifter, id: set.id }}
                word="Delete"
                label={`Delete ${set.loadValue} ${set.loadUnit} × ${set.repetitions} on ${dayText(set.on, today)}`}
                action={actions.remove}
              />
            </div>
          ))}
      </details>
    </li>
  );
}
