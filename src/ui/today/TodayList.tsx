import Link from "../kit/Link";
import { Say } from "../kit/shown";
import { CircleAlert, CircleDot, Circle } from "lucide-react";
import type { FirstStep, TodayBeside as Beside, TodayItem } from "@/server/today";
import { PageHead } from "../kit/PageHead";
import { FirstWeek } from "./FirstWeek";
import { TodayBeside } from "./TodayBeside";
import { dayText } from "@/core/units/dates";

const MARKS = {
  danger: { Mark: CircleAlert, className: "text-error", word: "Danger" },
  now: { Mark: CircleDot, className: "text-accent", word: "Now" },
  soon: { Mark: Circle, className: "text-quiet", word: "Soon" },
};

/** What needs doing, most urgent first: a sentence each, with one button. */
export function TodayList({
  items,
  beside,
  steps = [],
  today,
  hallName,
}: {
  items: TodayItem[];
  beside: Beside;
  /** What a new gym does first; empty once it is done, and for whoever sets nothing up. */
  steps?: readonly FirstStep[];
  today: string;
  hallName: string;
}) {
  return (
    <>
      <PageHead title="Today" about={`${dayText(today, today)} · ${hallName}`} />
      {steps.length > 0 && <FirstWeek steps={steps} />}
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_17rem] 2xl:grid-cols-[minmax(0,60rem)_22rem]">
        {items.length === 0 ? (
          <p className="sheet p-6">Nothing needs doing today. Every bar is in order and no care is due.</p>
        ) : (
          <ol className="sheet divide-y divide-base-300" aria-label="What needs doing">
            {items.map(({ id, weight, title, because, action }) => {
              const { Mark, className, word } = MARKS[weight];
              return (
                <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2.5">
                  <span className={`flex w-20 items-center gap-1.5 text-sm font-bold ${className}`}>
                    <Mark aria-hidden="true" className="size-4.5" />
                    {word}
                  </span>
                  <div className="min-w-60 flex-1">
                    <p className="font-semibold">
                      <Say text={title} />
                    </p>
                    <p className="text-quiet text-sm">
                      <Say text={because} />
                    </p>
                  </div>
                  <Link href={action.href} className={`btn ${weight === "soon" ? "btn-outline" : "btn-neutral"}`}>
                    {action.label}
                  </Link>
                </li>
              );
            })}
          </ol>
        )}
        <TodayBeside beside={beside} today={today} />
      </div>
    </>
  );
}
