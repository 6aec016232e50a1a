"use client";

import { useState } from "react";
import { balance, hinge, type Balance } from "@/core/balance/balance";
import { MAX_CARRIES, startingCarry, type AskedCarry, type BalanceState } from "@/core/balance/balanceState";
import type { Build } from "@/core/balance/body";
import { CARRIES, CARRY_KEYS } from "@/core/balance/carry";
import { balanceLead } from "@/core/balance/verdictWords";
import { useShown } from "../kit/shown";
import { BalanceControls } from "./BalanceControls";
import { CarryCard } from "./CarryCard";
import { figureTopMm } from "./FigureDrawing";
import { Lesson } from "./Lesson";
import { useAddress } from "./useAddress";

interface Props {
  start: BalanceState;
  /** Lifters whose lengths can be taken over; empty for whoever may not read them. */
  lifters: readonly { name: string; build: Build }[];
  handTorqueNm: number;
  /** Whose lengths the page starts with; null where nobody was asked for. */
  who: string | null;
}

const INKS = ["var(--color-primary)", "var(--color-secondary)", "var(--color-accent)"];

/** Lifter, bar and load from the side, live: each carry at its own shank lean, or all at one pose. */
export function BalanceSheet({ start, lifters, handTorqueNm, who }: Props) {
  const [state, setState] = useState(start);
  const [name, setName] = useState(who);
  const said = useShown();
  const { build, carries } = state;
  useAddress(state, start);
  const change = (part: Partial<BalanceState>) => setState((now) => ({ ...now, ...part }));
  const answers = carries.map((asked) => answerOf(state, asked, handTorqueNm));
  const known = carries.flatMap(({ key }, i) =>
    answers[i] ? [{ phrase: CARRIES[key].phrase, answer: answers[i] }] : [],
  );
  const topMm = Math.max(1100, ...answers.flatMap((answer) => (answer ? [figureTopMm(answer.figure)] : [])));
  return (
    <div className="grid gap-3">
      <BalanceControls state={state} lifters={lifters} change={change} choose={setName} />

      {known.length > 0 && (
        <p
          className="sheet border-l-primary border-l-4 px-4 py-2 text-lg leading-snug font-semibold"
          data-testid="balance-lead"
        >
          {balanceLead(
            `${name ?? `A lifter ${said.height(build.heightMm)} tall`} with ${said.kg(state.loadKg, 1)}`,
            known,
          )}
        </p>
      )}
      <div className="grid gap-3 md:grid-cols-2 xl:grid-cols-3">
        {carries.map((asked, i) => (
          <CarryCard
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
        {carries.length < MAX_CARRIES && (
          <button
            type="button"
            className="btn btn-outline self-start"
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
