"use client";

import { useState } from "react";
import type { Bar } from "@/core/bars/bar";
import {
  dialReadings,
  FINISH_STATES,
  INSPECTED_PARTS,
  INSPECTION_VERDICTS,
  judgeInspection,
  KNURL_STATES,
  PART_STATES,
  runoutOf,
  RUST_GRADES,
  type InspectedPart,
  type InspectionLimits,
} from "@/core/care/inspection";
import { FAMILIES } from "@/core/bars/families";
import { fixed, trimmed } from "@/core/units/format";
import { bendOfFacts, bendPlaceWords, DIAL_PLACES, dialAtMm, SHOWN_BEND_MM, standHalfMm } from "@/core/wear/bendPlace";
import type { BarCondition } from "@/server/care/records";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { Say } from "../kit/shown";
import { StateText } from "../kit/StateText";
import { ZonePicker } from "../kit/ZonePicker";
import { BendPicture } from "./BendPicture";
import { dialNames, DIAL_READINGS, readInspection } from "./readInspection";
import { PastInspections, type PastInspection } from "./PastInspections";
import { RustScale } from "./RustScale";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  bar: Bar;
  parts: readonly InspectedPart[];
  limits: InspectionLimits;
  past: readonly PastInspection[];
  condition: BarCondition;
  today: string;
  /** What the simulated instruments would find; null where there are none: outside a demonstration. */
  truth: { tirMm: number; spinS: number; endPlayMm: number } | null;
  mayInspect: boolean;
  mayOverride: boolean;
  idempotencyKey: string;
  action: FormAction;
}

const VERDICT_WORDS = {
  keep: "keep it in service",
  watch: "put it under watch",
  quarantine: "quarantine it: nobody lifts with it",
  retire: "retire it",
} as const;
const PART_WORDS: Record<InspectedPart, string> = {
  welds: "welds",
  pins: "pins and threads",
  pads: "pads and handles",
  "end caps": "end caps and retaining rings",
};
const angle = (i: number) => `${(360 / DIAL_READINGS) * i}°`;

/** A bar looked at closely: what was found, what the rule says of it as it is typed, and what somebody decides. */
export function InspectionSheet(props: Props) {
  const { bar, parts, limits, truth, mayInspect, mayOverride, idempotencyKey, action } = props;
  const [form, send, isPending] = useFormAction(action);
  const [isThree, setThree] = useState(false);
  const [texts, setTexts] = useState<Record<string, string>>({});
  const known = { ...(form.status === "refused" ? form.typed : {}), ...texts };
  const set = (changes: Record<string, string>) => setTexts((before) => ({ ...before, ...changes }));
  const read = readInspection({ get: (name: string) => known[name] ?? null });
  const facts = read.ok ? read.facts : null;
  const isEmpty = !Object.entries(known).some(
    ([name, text]) => text !== "" && !["decided", "reason", "simulated"].includes(name),
  );
  const judged = facts ? judgeInspection(facts, limits) : null;
  const runout = facts?.dialMm ? runoutOf(facts.dialMm) : null;
  const bend = facts ? bendOfFacts(bar, facts) : null;
  const isStraight = FAMILIES[bar.family].form === "straight";
  const input = (name: string, label: string, unit: string) => (
    <label className="grid gap-1 text-sm">
      {label}
      <span className="flex items-baseline gap-1">
        <input
          name={name}
          value={known[name] ?? ""}
          onChange={(event) => set({ [name]: event.target.value })}
          inputMode="decimal"
          autoComplete="off"
          className="input w-24 text-right"
        />
        <span className="unit">{unit}</span>
      </span>
    </label>
  );
  const choice = (name: string, label: string, options: readonly (readonly [string, string])[]) => (
    <label className="grid gap-1 text-sm">
      {label}
      <select
        name={name}
        value={known[name] ?? ""}
        onChange={(event) => set({ [name]: event.target.value })}
        className="select"
      >
        <option value="">not looked at</option>
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
  const yesNo = [
    ["no", "no"],
    ["yes", "yes"],
  ] as const;
  return (
    <>
      <PageHead title={`Inspect ${bar.tag}`} about={bar.name}>
        <Link
          href={`/bars/${encodeURIComponent(bar.tag)}`}
          className="inline-flex min-h-11 items-center text-sm hover:underline"
        >
          The bar
        </Link>
      </PageHead>
      <p className="mb-3 text-sm">
        Now: <StateText state={bar.state} reason={bar.stateReason} />. Support it on two stands, plates off. What you do
        not look at stays empty.
      </p>
      {mayInspect ? (
        <form action={send} className="grid gap-3 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
          <input type="hidden" name="tag" value={bar.tag} />
          <input type="hidden" name="idempotencyKey" value={idempotencyKey} />
          <input type="hidden" name="simulated" value={known.simulated ?? ""} />
          <div className="grid content-start gap-3">
            {isStraight && (
              <fieldset className="sheet p-4">
                <legend className="px-1 font-bold">Straight: dial gauge round one turn</legend>
                {(isThree ? DIAL_PLACES : (["middle"] as const)).map((place) => (
                  <div key={place} className="mb-2">
                    {isThree && (
                      <p className="text-sm font-semibold">
                        {place === "middle" ? (
                          "Dial in the middle"
                        ) : (
                          <Say text={`Dial ${trimmed(standHalfMm(bar) / 2, 0)} mm ${place} of the middle`} />
                        )}
                      </p>
                    )}
                    <div className="grid grid-cols-4 gap-2 sm:grid-cols-8">
                      {dialNames(place).map((name, i) => (
                        <label key={name} className="grid gap-1 text-center text-xs">
                          {angle(i)}
                          <input
                            name={name}
                            value={known[name] ?? ""}
                            onChange={(event) => set({ [name]: event.target.value })}
                            inputMode="decimal"
                            autoComplete="off"
                            aria-label={`dial${place === "middle" ? "" : ` ${place}`} at ${angle(i)}, mm`}
                            className="input w-full px-1 text-center"
                          />
                        </label>
                      ))}
                    </div>
                  </div>
                ))}
                <label className="flex min-h-11 items-center gap-2 text-sm">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    checked={isThree}
                    onChange={({ target }) => setThree(target.checked)}
                  />
                  three places: says where it is bent
                </label>
                <div className="mt-3 flex flex-wrap items-end gap-4">
                  {truth && (
                    <button
                      type="button"
                      className="btn btn-outline"
                      onClick={() => set({ ...simulatedTurns(truth.tirMm, bar, isThree), simulated: "yes" })}
                    >
                      Turn the simulated gauge
                    </button>
                  )}
                  {choice("hops", "wobbles when rolled", yesNo)}
                </div>
                {runout && <BendPicture dialMm={facts!.dialMm!} runout={runout} limits={limits} />}
                {bend && bend.tirMm >= SHOWN_BEND_MM && (
                  <p className="mt-2 text-sm font-semibold" data-testid="bend-place">
                    <Say text={bendPlaceWords(bend)} />
                  </p>
                )}
              </fieldset>
            )}
            <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-3">
              <legend className="px-1 font-bold">Sleeves</legend>
              {input("spinLeftS", "left spins for", "s")}
              {input("spinRightS", "right spins for", "s")}
              {input("endPlayMm", "end play", "mm")}
              {truth && (
                <button
                  type="button"
                  className="btn btn-outline sm:col-span-3 sm:justify-self-start"
                  onClick={() =>
                    set({
                      simulated: "yes",
                      spinLeftS: trimmed(truth.spinS, 1),
                      spinRightS: trimmed(truth.spinS * 0.93, 1),
                      endPlayMm: trimmed(truth.endPlayMm, 1),
                    })
                  }
                >
                  Simulated stopwatch and gauge
                </button>
              )}
            </fieldset>
            <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
              <legend className="px-1 font-bold">Surface and parts</legend>
              {choice("crackSeen", "a crack anywhere", yesNo)}
              {choice(
                "knurl",
                "knurl",
                KNURL_STATES.map((state) => [state, state] as const),
              )}
              {choice("rust", "rust", RUST_GRADES)}
              {choice(
                "finish",
                "finish of the shaft",
                FINISH_STATES.map((state) => [state, state] as const),
              )}
              {(known.knurl ?? "") !== "" && known.knurl !== "sharp" && (
                <div className="sm:col-span-2">
                  <ZonePicker
                    name="knurlAt"
                    label={`Where is the knurl ${known.knurl}?`}
                    chosen={known.knurlAt ?? ""}
                    onChoose={(zone) => set({ knurlAt: zone })}
                  />
                </div>
              )}
              {(known.rust ?? "") !== "" && known.rust !== "none" && (
                <div className="sm:col-span-2">
                  <ZonePicker
                    name="rustAt"
                    label="Where is the rust?"
                    chosen={known.rustAt ?? ""}
                    onChoose={(zone) => set({ rustAt: zone })}
                  />
                </div>
              )}
              {INSPECTED_PARTS.filter((part) => parts.includes(part)).map((part) => (
                <div key={part}>
                  {choice(
                    `part.${part}`,
                    PART_WORDS[part],
                    PART_STATES.map((state) => [state, state] as const),
                  )}
                </div>
              ))}
              <div className="sm:col-span-2">
                <RustScale chosen={known.rust ?? ""} />
              </div>
            </fieldset>
          </div>
          <div className="grid content-start gap-3">
            <section
              className={`sheet border-l-4 p-4 ${judged && judged.verdict !== "keep" ? (judged.verdict === "quarantine" ? "border-l-error" : "border-l-accent") : "border-l-primary"}`}
              aria-label="The rule"
              aria-live="polite"
            >
              <h2 className="text-xl font-bold">
                {isEmpty
                  ? "Nothing looked at yet."
                  : judged
                    ? `The rule: ${VERDICT_WORDS[judged.verdict]}.`
                    : "The rule: something cannot be read."}
              </h2>
              <ul className="text-sm">
                {judged?.reasons.map(({ text }) => (
                  <li key={text}>{text}</li>
                ))}
                {judged?.reasons.length === 0 && (
                  <li className="text-quiet">
                    {isEmpty ? "What the gym’s rule says stands here as you note it." : "Nothing wrong was noted."}
                  </li>
                )}
              </ul>
              <div className="mt-3 grid gap-3">
                <label className="grid gap-1 text-sm">
                  decide
                  <select
                    name="decided"
                    value={known.decided ?? ""}
                    onChange={(event) => set({ decided: event.target.value })}
                    className="select"
                  >
                    <option value="">as the rule says</option>
                    {INSPECTION_VERDICTS.filter(
                      (verdict) =>
                        mayOverride ||
                        (verdict !== "retire" &&
                          judged !== null &&
                          INSPECTION_VERDICTS.indexOf(verdict) >= INSPECTION_VERDICTS.indexOf(judged.verdict)),
                    ).map((verdict) => (
                      <option key={verdict} value={verdict}>
                        {VERDICT_WORDS[verdict]}
                      </option>
                    ))}
                  </select>
                </label>
                <label className="grid gap-1 text-sm">
                  reason for overriding
                  <input
                    name="reason"
                    value={known.reason ?? ""}
                    onChange={(event) => set({ reason: event.target.value })}
                    className="input w-full"
                  />
                </label>
                {form.problems.map(({ path, message }) => (
                  <p key={path + message} className="text-error text-sm">
                    {message}
                  </p>
                ))}
                <div className="flex flex-wrap items-center gap-3">
                  <button type="submit" disabled={isPending} className="btn btn-neutral min-h-14 text-lg">
                    Save
                  </button>
                  <FormMessage state={form} />
                </div>
              </div>
              <p className="text-quiet mt-3 text-xs">
                A bent or cracked bar is out at once. Only the manager takes one out of quarantine. The maker’s
                instructions come first; what a weld or a bend may still carry is for people who know how.
              </p>
            </section>
            <PastInspections {...props} />
          </div>
        </form>
      ) : (
        <PastInspections {...props} />
      )}
    </>
  );
}

/** What the simulated gauge shows, the bend pointing where it points on this bar for ever, and lying where it lies. */
function simulatedTurns(tirMm: number, bar: Bar, isThree: boolean): Record<string, string> {
  const { tag } = bar;
  const letters = [...tag].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7);
  const [bendAtDeg, half] = [letters % 360, standHalfMm(bar)];
  const bendMm = (((letters % 100) - 50) / 100) * half;
  const shareAt = (atMm: number) => (half - Math.abs(atMm - bendMm)) / half;
  return Object.fromEntries(
    (isThree ? DIAL_PLACES : (["middle"] as const)).flatMap((place) =>
      dialReadings(
        {
          tirMm: tirMm * (place === "middle" ? 1 : shareAt(dialAtMm(place, half)) / shareAt(0)),
          bendAtDeg,
          noiseMm: 0.015,
        },
        DIAL_READINGS,
        (i) => Math.sin(9.7 * i + tag.length),
      ).map((value, i) => [dialNames(place)[i]!, fixed(value, 2)] as const),
    ),
  );
}
