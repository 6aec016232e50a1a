"use client";

import { useEffect, useState } from "react";
import { balance, hinge, type Balance } from "@/core/balance/balance";
import {
  BALANCE_RANGES,
  balanceParams,
  MOST_CARRIES,
  startingCarry,
  type AskedCarry,
  type BalanceState,
} from "@/core/balance/balanceState";
import type { Build } from "@/core/balance/body";
import { CARRIES, CARRY_KEYS, type CarryKey } from "@/core/balance/carry";
import { balanceSentence, carryDifference } from "@/core/balance/verdictWords";
import { fixed, trimmed } from "@/core/units/format";
import { FigureDrawing, figureTopMm } from "./FigureDrawing";
import { Slider } from "./Slider";

interface Props {
  start: BalanceState;
  /** Lifters whose lengths can be taken over; empty for whoever may not read them. */
  lifters: readonly { name: string; build: Build }[];
  handTorqueNm: number;
}

const INKS = ["var(--color-primary)", "var(--color-secondary)", "var(--color-accent)"];
const WRITE_AFTER_MS = 250;

/** Lifter, bar and load from the side, live: each carry at its own shank lean, or all at one pose. */
export function BalanceSheet({ start, lifters, handTorqueNm }: Props) {
  const [state, setState] = useState(start);
  const { build, carries, mode } = state;
  useAddress(state);
  const change = (part: Partial<BalanceState>) => setState((now) => ({ ...now, ...part }));
  const changeBuild = (part: Partial<Build>) => change({ build: { ...build, ...part } });
  const answers = carries.map((asked) => answerOf(state, asked, handTorqueNm));
  const topMm = Math.max(1100, ...answers.flatMap((answer) => (answer ? [figureTopMm(answer.figure)] : [])));
  return (
    <div className="grid gap-3">
      <section
        aria-label="Lifter and load"
        className="sheet grid gap-x-8 gap-y-1.5 px-4 py-3 md:grid-cols-2 xl:grid-cols-3"
      >
        <div className="flex flex-wrap items-center gap-2 text-sm md:col-span-2 xl:col-span-3">
          <div role="group" aria-label="Movement" className="join">
            {(["squat", "hinge"] as const).map((key) => (
              <button
                key={key}
                type="button"
                aria-pressed={mode === key}
                className={`btn btn-sm join-item min-h-10 ${mode === key ? "btn-neutral" : "btn-outline"}`}
                onClick={() => change({ mode: key, thighAngleDeg: key === "hinge" ? 50 : 0 })}
              >
                {key}
              </button>
            ))}
          </div>
          {lifters.length > 0 && (
            <select
              aria-label="Take the lengths of a lifter"
              className="select select-sm min-h-10 w-52"
              value=""
              onChange={({ target }) => {
                const lifter = lifters.find(({ name }) => name === target.value);
                if (lifter) change({ build: lifter.build });
              }}
            >
              <option value="">lengths of a lifter …</option>
              {lifters.map(({ name }) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          )}
          {mode === "squat" && (
            <label className="flex min-h-10 items-center gap-2">
              <input
                type="checkbox"
                className="toggle toggle-sm"
                checked={state.isSamePose}
                onChange={({ target }) => change({ isSamePose: target.checked })}
              />
              all at one pose
            </label>
          )}
        </div>
        <Slider
          label="height"
          unit="mm"
          range={BALANCE_RANGES.heightMm}
          step={5}
          value={build.heightMm}
          onChange={(heightMm) => changeBuild({ heightMm })}
        />
        <Slider
          label="body mass"
          unit="kg"
          range={BALANCE_RANGES.massKg}
          value={build.massKg}
          onChange={(massKg) => changeBuild({ massKg })}
        />
        <Slider
          label="load"
          unit="kg"
          range={BALANCE_RANGES.loadKg}
          step={2.5}
          value={state.loadKg}
          onChange={(loadKg) => change({ loadKg })}
        />
        <Slider
          label="thigh"
          unit="mm"
          range={BALANCE_RANGES.segmentMm}
          value={Math.round(build.thighLengthMm ?? 0.245 * build.heightMm)}
          onChange={(thighLengthMm) => changeBuild({ thighLengthMm })}
        />
        <Slider
          label="trunk"
          unit="mm"
          range={BALANCE_RANGES.segmentMm}
          value={Math.round(build.trunkLengthMm ?? 0.288 * build.heightMm)}
          onChange={(trunkLengthMm) => changeBuild({ trunkLengthMm })}
        />
        <Slider
          label={mode === "squat" ? "hip over knee" : "knees bent"}
          unit="°"
          range={BALANCE_RANGES.thighAngleDeg}
          value={state.thighAngleDeg}
          onChange={(thighAngleDeg) => change({ thighAngleDeg })}
        />
        {mode === "hinge" && (
          <Slider
            label="trunk lean"
            unit="°"
            range={BALANCE_RANGES.trunkLeanDeg}
            value={state.trunkLeanDeg}
            onChange={(trunkLeanDeg) => change({ trunkLeanDeg })}
          />
        )}
        {(build.thighLengthMm || build.trunkLengthMm || build.shankLengthMm) && (
          <button
            type="button"
            className="link justify-self-start text-xs"
            onClick={() => changeBuild({ thighLengthMm: null, trunkLengthMm: null, shankLengthMm: null })}
          >
            lengths from the height again
          </button>
        )}
      </section>

      <div className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
        {carries.map((asked, i) => (
          <Carried
            key={i}
            asked={asked}
            answer={answers[i]!}
            state={state}
            ink={INKS[i]!}
            topMm={topMm}
            isFirst={i === 0}
            onChange={(next) => change({ carries: carries.map((one, j) => (j === i ? next : one)) })}
            onRemove={carries.length > 1 ? () => change({ carries: carries.filter((_, j) => j !== i) }) : undefined}
          />
        ))}
        {carries.length < MOST_CARRIES && (
          <button
            type="button"
            className="btn btn-outline min-h-11 self-start"
            onClick={() => {
              const free = CARRY_KEYS.find((key) => !carries.some((one) => one.key === key)) ?? "low";
              change({ carries: [...carries, startingCarry(free)] });
            }}
          >
            Compare another carry
          </button>
        )}
      </div>

      <section aria-label="What it says" className="sheet border-l-primary border-l-4 px-4 py-3 text-sm">
        <Lesson state={state} answers={answers} />
        <p className="text-quiet mt-2 text-xs">
          Geometry and statics of a side view, not a diagnosis. Pain or injury: a doctor or physiotherapist. Segments as
          shares of height: Drillis &amp; Contini, in Winter, Biomechanics and Motor Control of Human Movement; a
          measured length overrides. Opinions differ on which build suffers most: long trunk, say some; long thigh, say
          others. Move both and see.
        </p>
      </section>
    </div>
  );
}

function answerOf(state: BalanceState, { carry, shankLeanDeg }: AskedCarry, handTorqueLimitNm: number): Balance | null {
  const { build, loadKg, thighAngleDeg, mode, isSamePose, carries, trunkLeanDeg } = state;
  const lean = isSamePose && mode === "squat" ? carries[0]!.shankLeanDeg : shankLeanDeg;
  const question = {
    lifter: build,
    pose: { shankLeanDeg: lean, thighAngleDeg },
    carry,
    loadKg,
    handTorqueLimitNm,
  };
  return mode === "hinge" ? hinge(question, trunkLeanDeg) : balance(question);
}

/** Keeps the address in step, so that a link shows the same thing; not on every tick of a slider. */
function useAddress(state: BalanceState) {
  useEffect(() => {
    const timer = setTimeout(() => {
      const params = new URLSearchParams(balanceParams(state)).toString();
      window.history.replaceState(null, "", params ? `?${params}` : window.location.pathname);
    }, WRITE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [state]);
}

function Carried({
  asked,
  answer,
  state,
  ink,
  topMm,
  isFirst,
  onChange,
  onRemove,
}: {
  asked: AskedCarry;
  answer: Balance | null;
  state: BalanceState;
  ink: string;
  topMm: number;
  isFirst: boolean;
  onChange: (next: AskedCarry) => void;
  onRemove: (() => void) | undefined;
}) {
  const { key, carry } = asked;
  const move = (part: Partial<AskedCarry["carry"]>) => onChange({ ...asked, carry: { ...carry, ...part } });
  const isPosed = state.mode === "squat" && state.isSamePose && !isFirst;
  const name = CARRIES[key].name;
  return (
    <section aria-label={`Carry: ${name}`} className="sheet flex flex-col px-3 py-2">
      <div className="flex items-center justify-between gap-2">
        <select
          aria-label="Carry"
          value={key}
          onChange={({ target }) => onChange(startingCarry(target.value as CarryKey))}
          className="select select-sm min-h-10 border-b-4 font-semibold"
          style={{ borderBottomColor: ink }}
        >
          {CARRY_KEYS.map((one) => (
            <option key={one} value={one}>
              {CARRIES[one].name}
            </option>
          ))}
        </select>
        {onRemove && (
          <button
            type="button"
            className="btn btn-ghost btn-sm min-h-10"
            aria-label={`Take away: ${name}`}
            onClick={onRemove}
          >
            ×
          </button>
        )}
      </div>
      <FigureDrawing
        figure={answer?.figure ?? null}
        loadKg={state.loadKg}
        ink={ink}
        topMm={topMm}
        isHanging={carry.camber === "hanging"}
        label={answer ? `${name}: trunk leans ${trimmed(answer.trunkLeanDeg, 0)} degrees` : `${name}: nothing balances`}
      />
      {answer ? (
        <Numbers answer={answer} />
      ) : (
        <p role="alert" className="text-error min-h-24 text-sm">
          {state.mode === "hinge"
            ? "Nothing balances with this trunk lean and these knees: bend them less, or lean more."
            : "Nothing balances at this shank lean and depth: lean the shank more, or stay higher."}
        </p>
      )}
      <details className="mt-1" open={false}>
        <summary className="text-quiet min-h-9 cursor-pointer py-2 text-xs">Move the carry</summary>
        <div className="grid gap-1.5 pb-1">
          {state.mode === "squat" && (
            <Slider
              label="shank lean"
              unit="°"
              range={BALANCE_RANGES.shankLeanDeg}
              value={isPosed ? state.carries[0]!.shankLeanDeg : asked.shankLeanDeg}
              isDisabled={isPosed}
              onChange={(shankLeanDeg) => onChange({ ...asked, shankLeanDeg })}
            />
          )}
          <Slider
            label="contact up"
            unit="mm"
            range={BALANCE_RANGES.alongTrunkMm}
            step={5}
            value={carry.alongTrunkMm}
            onChange={(alongTrunkMm) => move({ alongTrunkMm })}
          />
          <Slider
            label="contact ahead"
            unit="mm"
            range={BALANCE_RANGES.forwardMm}
            step={5}
            value={carry.forwardMm}
            onChange={(forwardMm) => move({ forwardMm })}
          />
          <Slider
            label="load down"
            unit="mm"
            range={BALANCE_RANGES.camberDropMm}
            step={5}
            value={carry.camberDropMm}
            onChange={(camberDropMm) => move({ camberDropMm })}
          />
          {carry.camber === "rigid" ? (
            <Slider
              label="load ahead"
              unit="mm"
              range={BALANCE_RANGES.camberForwardMm}
              step={5}
              value={carry.camberForwardMm}
              onChange={(camberForwardMm) => move({ camberForwardMm })}
            />
          ) : (
            <Slider
              label="held back"
              unit="°"
              range={BALANCE_RANGES.heldAngleDeg}
              value={carry.heldAngleDeg}
              onChange={(heldAngleDeg) => move({ heldAngleDeg })}
            />
          )}
        </div>
      </details>
    </section>
  );
}

function Numbers({ answer }: { answer: Balance }) {
  const rows: [string, string, string][] = [
    ["trunk lean", fixed(answer.trunkLeanDeg, 1), "°"],
    ["hip moment", fixed(answer.hipMomentNm, 1), "N·m"],
    ["knee moment", fixed(answer.kneeMomentNm, 1), "N·m"],
    ["hip to knee", answer.hipToKnee === null || answer.kneeMomentNm <= 0 ? "–" : fixed(answer.hipToKnee, 2), ""],
    ["roll torque", fixed(answer.rollTorqueNm, 1), "N·m"],
    ["load ahead of mid-foot", fixed(answer.loadAheadOfMidFootMm, 0), "mm"],
    ...(answer.correctionReachMm === null
      ? []
      : ([
          ["correction reach", fixed(answer.correctionReachMm, 0), "mm"],
          ["held by the hands", fixed(answer.holdTorqueNm, 1), "N·m"],
        ] as [string, string, string][])),
  ];
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
      {rows.map(([label, value, unit]) => (
        <div key={label} className="border-base-300 col-span-2 grid grid-cols-subgrid border-b py-0.5 last:border-b-0">
          <dt className="text-quiet">{label}</dt>
          <dd className="text-right tabular-nums">
            <strong>{value}</strong> <span className="unit inline-block w-8 text-left">{unit}</span>
          </dd>
        </div>
      ))}
    </dl>
  );
}

function Lesson({ state, answers }: { state: BalanceState; answers: readonly (Balance | null)[] }) {
  const names = state.carries.map(({ key }) => CARRIES[key].name);
  const known = answers.flatMap((answer, i) => (answer ? [{ answer, name: names[i]! }] : []));
  const [first, ...others] = known;
  if (!first) return <p>Nothing balances at this depth. Lean the shanks more, or stay higher.</p>;
  if (state.mode === "hinge")
    return (
      <p>
        At one and the same trunk lean the hip moment is{" "}
        {known.map(({ name, answer }, i) => (
          <span key={name}>
            {i > 0 && ", "}
            <strong>{trimmed(answer.hipMomentNm, 0)} N·m</strong> with {name}
          </span>
        ))}
        . Lower on the back is the shorter arm.
      </p>
    );
  if (state.isSamePose && others.length > 0)
    return (
      <p>
        <strong>
          At one pose hip and knee moments are the same for every carry: {trimmed(first.answer.hipMomentNm, 1)} and{" "}
          {trimmed(first.answer.kneeMomentNm, 1)} N·m.
        </strong>{" "}
        That is statics: the weights stand over the same feet. What a carry changes is the lean ({" "}
        {known.map(({ name, answer }) => `${name} ${trimmed(answer.trunkLeanDeg, 1)}°`).join(", ")}), the roll torque,
        and how a lifter chooses to sit. So compare carries each at its own shank lean, and never by the load’s arm
        alone.
      </p>
    );
  return (
    <>
      <p>
        <strong>{first.name}.</strong> {balanceSentence(first.answer)}
      </p>
      {others.map(({ name, answer }) => (
        <p key={name}>{carryDifference(first.answer, answer, [first.name, name])}</p>
      ))}
    </>
  );
}
