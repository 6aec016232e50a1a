"use client";

import { useRef, useState } from "react";
import { QUANTITIES, type QuantityKind } from "@/core/bars/quantities";
import { RECEIVING_CHECKS } from "@/core/buying/receiving";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { freshKey } from "../kit/freshKey";
import { asBase64, shrinkPhoto } from "../kit/shrinkPhoto";
import { ValueText } from "../kit/QuantityText";
import { UnitName } from "../kit/shown";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  offerId: string;
  wantedTag: string;
  /** What is measured of this bar, with what its seller states. */
  kinds: readonly { kind: QuantityKind; stated: number | null; tolerance: number | null }[];
  action: FormAction;
}

const VERDICTS = [
  ["keep", "Accept", "It goes on the wall with everything that is known of it."],
  ["claim", "Claim", "It stays in its box until the seller answers."],
  ["return", "Send back", "It goes back."],
] as const;

/** The check of a bar that arrived, on a telephone: parts, damage, roll, spin, coating, figures, and what becomes of it. */
export function ReceiveForm({ offerId, wantedTag, kinds, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const [key] = useState(freshKey);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const [photos, setPhotos] = useState<string[]>([]);
  const files = useRef<HTMLInputElement>(null);
  const known = (name: string) => form.typed[name] ?? "";

  async function addPhotos(list: FileList | null) {
    const added: string[] = [];
    for (const file of list ?? []) added.push(await asBase64(await shrinkPhoto(file)));
    setPhotos((before) => [...before, ...added].slice(0, 6));
    if (files.current) files.current.value = "";
  }

  return (
    <form action={send} className="mx-auto grid max-w-xl gap-3">
      <input type="hidden" name="offerId" value={offerId} />
      <input type="hidden" name="key" value={key} />
      <input type="hidden" name="answers" value={JSON.stringify(answers)} />
      <input type="hidden" name="photos" value={JSON.stringify(photos)} />
      <ol className="grid gap-2">
        {RECEIVING_CHECKS.map(({ key: check, ask, wrong }) => (
          <li key={check} className="sheet px-3 py-2">
            <p className="font-semibold">{ask}</p>
            <div className="join mt-1 grid grid-cols-2" role="group" aria-label={ask}>
              {(
                [
                  ["fine", "Right"],
                  ["wrong", wrong],
                ] as const
              ).map(([answer, word]) => (
                <button
                  key={answer}
                  type="button"
                  aria-pressed={answers[check] === answer}
                  onClick={() => setAnswers((before) => ({ ...before, [check]: answer }))}
                  className={`btn join-item min-h-12 ${answers[check] === answer ? (answer === "fine" ? "btn-neutral" : "btn-error") : "btn-outline"}`}
                >
                  {word}
                </button>
              ))}
            </div>
          </li>
        ))}
      </ol>
      <fieldset className="sheet grid gap-2 px-3 py-2">
        <legend className="contents">
          <span className="font-bold">Measure it</span>
        </legend>
        {kinds.map(({ kind, stated, tolerance }) => {
          const { label, unit, decimals } = QUANTITIES[kind];
          return (
            <label key={kind} className="grid grid-cols-[minmax(0,1fr)_8rem] items-center gap-3 text-sm">
              <span>
                {label}, <UnitName of={unit} />
                <span className="text-quiet block text-xs">
                  {stated === null ? (
                    "nothing stated"
                  ) : (
                    <>
                      stated <ValueText value={stated} decimals={decimals} unit={unit} isAligned />
                      {tolerance !== null && (
                        <>
                          , ± <ValueText value={tolerance} decimals={2} unit={unit} />
                        </>
                      )}
                    </>
                  )}
                </span>
              </span>
              <input
                name={`readings.${kind}`}
                data-unit={unit === "s" ? undefined : unit}
                defaultValue={known(`readings.${kind}`)}
                inputMode="decimal"
                className="input min-h-12 w-full text-right text-lg"
                aria-invalid={form.problems.some(({ path }) => path === `readings.${kind}`)}
              />
            </label>
          );
        })}
      </fieldset>
      <div className="sheet grid gap-2 px-3 py-2 text-sm">
        <label className="grid gap-1">
          Photos ({photos.length} of 6)
          <input
            ref={files}
            type="file"
            multiple
            accept="image/jpeg,image/png,image/webp"
            capture="environment"
            onChange={({ target }) => void addPhotos(target.files)}
            className="file-input min-h-12 w-full"
          />
        </label>
        <label className="grid gap-1">
          Note
          <textarea name="note" rows={2} defaultValue={known("note")} className="textarea w-full" />
        </label>
        <label className="grid gap-1">
          Tag it will get
          <input name="tag" defaultValue={known("tag") || wantedTag} className="input min-h-12 w-32" />
        </label>
      </div>
      <FormProblems form={form} />
      <FormMessage state={form} />
      <div className="bg-base-200 sticky bottom-0 grid grid-cols-3 gap-2 py-2">
        {VERDICTS.map(([verdict, word, about]) => (
          <button
            key={verdict}
            name="verdict"
            value={verdict}
            title={about}
            disabled={isPending}
            className={`btn min-h-14 ${verdict === "keep" ? "btn-neutral" : "btn-outline"}`}
          >
            {word}
          </button>
        ))}
      </div>
    </form>
  );
}
