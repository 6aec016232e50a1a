"use client";

import { ASPECT_KEYS, NOTE_ASPECTS, NOTE_STAGES, STAGE_WORDS, type NoteStage } from "@/core/feel/barNote";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  tag: string;
  /** Whose feel it may be; empty for one's own only. */
  lifters: readonly { key: string; name: string }[];
  asked: { lifter: string | null; stage: string | null };
  action: FormAction;
}

const SCORES = [1, 2, 3, 4, 5] as const;

/** How a bar feels: five steps for what matters, whether they would again, and words. */
export function NoteForm({ tag, lifters, asked, action }: Props) {
  const [state, send, isPending] = useFormAction(action);
  const typed = state.status === "refused" ? state.typed : {};
  const stage: NoteStage = NOTE_STAGES.find((one) => one === (typed.stage ?? asked.stage)) ?? "first-day";
  return (
    <form action={send} className="grid gap-3 text-sm" key={`${state.status} ${state.version ?? ""}`}>
      <input type="hidden" name="tag" value={tag} />
      <input type="hidden" name="version" value={state.version ?? 0} />
      <div className="flex flex-wrap gap-3">
        {lifters.length > 0 && (
          <label className="grid gap-1">
            Whose feel
            <select name="lifter" defaultValue={typed.lifter ?? asked.lifter ?? ""} className="select w-52">
              <option value="">yours, as staff</option>
              {lifters.map(({ key, name }) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="grid gap-1">
          After
          <select name="stage" defaultValue={stage} className="select w-40">
            {NOTE_STAGES.map((one) => (
              <option key={one} value={one}>
                {STAGE_WORDS[one]}
              </option>
            ))}
          </select>
        </label>
      </div>
      {ASPECT_KEYS.map((key) => {
        const { label, low, high } = NOTE_ASPECTS[key];
        return (
          <fieldset key={key}>
            <legend className="font-semibold">{label}</legend>
            <span className="grid grid-cols-[minmax(0,7rem)_auto_minmax(0,1fr)] items-center gap-x-2">
              <span className="text-quiet text-right text-xs">{low}</span>
              <span className="flex">
                {SCORES.map((score) => (
                  <label key={score} className="grid min-h-11 min-w-11 cursor-pointer place-items-center">
                    <span className="sr-only">
                      {label} {score} of 5
                    </span>
                    <input
                      type="radio"
                      name={key}
                      value={score}
                      defaultChecked={typed[key] === String(score)}
                      className="radio radio-sm"
                    />
                  </label>
                ))}
              </span>
              <span className="text-quiet text-xs">{high}</span>
            </span>
          </fieldset>
        );
      })}
      {(
        [
          ["wouldUseAgain", "Would use it again"],
          ["wouldBuyAgain", "Would buy it again"],
        ] as const
      ).map(([name, label]) => (
        <fieldset key={name} className="flex flex-wrap items-center gap-x-4">
          <legend className="float-left w-44 font-semibold">{label}</legend>
          {["yes", "no"].map((word) => (
            <label key={word} className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name={name}
                value={word}
                defaultChecked={typed[name] === word}
                className="radio radio-sm"
              />
              {word}
            </label>
          ))}
        </fieldset>
      ))}
      <label className="grid gap-1">
        In your words
        <textarea name="words" rows={2} maxLength={500} defaultValue={typed.words ?? ""} className="textarea w-full" />
      </label>
      <FormProblems form={state} />
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" disabled={isPending} className="btn btn-neutral">
          Save
        </button>
        <FormMessage state={state} />
      </div>
    </form>
  );
}
