"use client";

import { useState } from "react";
import { dayText } from "@/core/units/dates";
import type { SideView } from "@/server/sideview";
import { AskChoice } from "../kit/AskChoice";
import { optionsUpTo } from "../kit/optionsUpTo";
import { AskForm } from "../kit/AskForm";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { Kg } from "../kit/shown";
import { useFormAction } from "../kit/useFormAction";
import { StillCard } from "./StillCard";
import type { StillBar, StillLifter } from "./stillProps";
import { Day } from "../kit/shown";

interface Props {
  lifters: readonly StillLifter[];
  lifter: string | null;
  bars: readonly StillBar[];
  asked: { lift: string; tag: string | null; setting: string | null; load: string | null };
  lifts: readonly (readonly [key: string, words: string])[];
  saved: readonly SideView[];
  today: string;
  maySave: boolean;
  deleteAction: FormAction;
}

/** A still that lies on the bench: a new one, or one that was saved. */
type OnBench = { key: number; saved: SideView | null; isEmpty: boolean };

const MAX_STILLS = 3;

/** Stills from the side held against the model: one, or several settings or bars side by side. */
export function StillSheet({ lifters, lifter, bars, asked, lifts, saved, today, maySave, deleteAction }: Props) {
  const [stills, setStills] = useState<OnBench[]>([{ key: 0, saved: null, isEmpty: true }]);
  const [form, remove, isPending] = useFormAction(deleteAction);
  const who = lifters.find(({ key }) => key === lifter) ?? null;
  const add = (one: SideView | null) =>
    setStills((now) => {
      // What is opened takes the place of a still that has no picture yet.
      const kept = one ? now.filter(({ isEmpty }) => !isEmpty) : now;
      const key = Math.max(-1, ...now.map((still) => still.key)) + 1;
      return [...kept.slice(0, MAX_STILLS - 1), { key, saved: one, isEmpty: one === null }];
    });
  return (
    <div className="grid gap-3">
      <AskForm
        action="/match/balance/still"
        label="Whose still"
        keep={{ bar: asked.tag ?? undefined, setting: asked.setting ?? undefined, load: asked.load ?? undefined }}
        className="flex flex-wrap gap-x-5"
      >
        {lifters.length > 0 && (
          <AskChoice
            name="lifter"
            word="of"
            value={lifter ?? ""}
            options={optionsUpTo(
              [["", "someone not on file"] as const, ...lifters.map(({ key, name }) => [key, name] as const)],
              (one) => one,
            )}
          />
        )}
        <AskChoice name="lift" word="doing" value={asked.lift} options={lifts} />
      </AskForm>
      <p className="text-sm">
        Stand square to the bar, the telephone level and at hip height, about four metres away. The picture stays in
        this browser unless it is saved for the lifter.
      </p>
      <div className={`grid items-start gap-3 ${stills.length > 1 ? "lg:grid-cols-2" : ""}`}>
        {stills.map(({ key, saved: one }, i) => (
          <StillCard
            key={key}
            opened={() =>
              setStills((now) => now.map((still) => (still.key === key ? { ...still, isEmpty: false } : still)))
            }
            title={stills.length > 1 ? `Still ${i + 1}` : "Still"}
            saved={one}
            isWide={stills.length === 1}
            lifter={who}
            bars={bars}
            asked={asked}
            today={today}
            maySave={maySave && who !== null}
            close={stills.length > 1 ? () => setStills((now) => now.filter((still) => still.key !== key)) : null}
          />
        ))}
      </div>
      {stills.length < MAX_STILLS && (
        <button type="button" className="btn btn-outline justify-self-start" onClick={() => add(null)}>
          Compare another still
        </button>
      )}
      {saved.length > 0 && (
        <section aria-label="Saved stills" className="sheet px-4 py-2">
          <h2 className="font-bold">Saved for {who?.name}</h2>
          <ul className="divide-base-300 divide-y">
            {saved.map((one) => (
              <li key={one.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2 text-sm">
                <strong>{dayText(one.takenOn, today)}</strong>
                <span>
                  {[one.tag, one.setting].filter(Boolean).join(", ") || "no bar"},{" "}
                  <Kg value={one.loadKg} decimals={1} />
                </span>
                {!one.hasPhoto && <span className="text-quiet">marks without the picture</span>}
                <button
                  type="button"
                  className="btn btn-sm btn-outline ml-auto"
                  disabled={stills.length >= MAX_STILLS}
                  onClick={() => add(one)}
                >
                  Open
                  <span className="sr-only">
                    {" "}
                    the still of <Day on={one.takenOn} />
                  </span>
                </button>
                {maySave && (
                  <form action={remove}>
                    <input type="hidden" name="id" value={one.id} />
                    <button type="submit" disabled={isPending} className="btn btn-sm btn-ghost">
                      Delete
                      <span className="sr-only">
                        {" "}
                        the still of <Day on={one.takenOn} />
                      </span>
                    </button>
                  </form>
                )}
              </li>
            ))}
          </ul>
          <FormMessage state={form} />
        </section>
      )}
      <p className="text-quiet text-xs">
        Marks are put by hand and joints lie under skin and clothes: the figures say how far they may be off. The model
        is geometry of a side view, not a judgement of a lift, and nothing here says anything about health. Pain or
        injury: a doctor or physiotherapist.
      </p>
    </div>
  );
}
