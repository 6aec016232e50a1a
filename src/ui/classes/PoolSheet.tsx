"use client";

import { massUnitsFromKg } from "@/core/units/exactMass";
import { ProblemList } from "../kit/ProblemList";
import { AskForm } from "../kit/AskForm";
import { LadderAsk, PlatesAsk } from "../load/LadderAsk";
import { usePool } from "./usePool";
import type { PoolSheetProps } from "./poolSheetProps";
import { FELT_KG, Planned } from "./PoolPlanned";

/** Every station of a class with one pool of plates over time: what each set gets, what is short, and what would help. */
export function PoolSheet({
  address,
  startsAt,
  question,
  stations,
  lifterOf,
  problems,
  faces,
  only,
  ladder,
}: PoolSheetProps) {
  const { plan, remedy, share, ms, isCancelled, cancel, again } = usePool(question, massUnitsFromKg(FELT_KG));
  const sets = question.stations.reduce((sum, one) => sum + one.sets.length, 0);
  return (
    <>
      <AskForm
        action={address}
        label="Warm-ups"
        className="sheet no-print mb-3 flex flex-wrap items-baseline gap-x-5 px-4 py-2"
      >
        <LadderAsk ladder={ladder} />
        <PlatesAsk only={only} />
        <p className="text-quiet basis-full text-xs">
          Sets are spread evenly over a block, everybody in turn; plates stay on a bar until its next set.
        </p>
      </AskForm>
      <ProblemList of={problems} className="mb-3 font-semibold" />
      {plan ? (
        <Planned {...{ plan, remedy, ms, sets, startsAt, stations, lifterOf, faces, question, only, ladder }} />
      ) : (
        <section className="sheet flex min-h-24 flex-wrap items-center gap-4 px-4 py-3" aria-label="Planning">
          {isCancelled ? (
            <>
              <p>Stopped.</p>
              <button type="button" className="btn btn-neutral" onClick={again}>
                Plan it
              </button>
            </>
          ) : (
            <>
              <label className="grow">
                <span className="mb-1 block text-sm">
                  Planning {sets} sets at {stations.length} stations around each other
                </span>
                <progress className="progress w-full" value={share} max={1} />
              </label>
              <button type="button" className="btn btn-outline" onClick={cancel}>
                Cancel
              </button>
            </>
          )}
        </section>
      )}
    </>
  );
}
