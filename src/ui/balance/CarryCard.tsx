"use client";

import type { Balance } from "@/core/balance/balance";
import { BALANCE_RANGES, startingCarry, type AskedCarry, type BalanceState } from "@/core/balance/balanceState";
import { CARRIES, CARRY_KEYS, type CarryKey } from "@/core/balance/carry";
import { rollWords } from "@/core/balance/verdictWords";
import { fixed, trimmed } from "@/core/units/format";
import { FigureDrawing } from "./FigureDrawing";
import { Slider } from "./Slider";
import { useShown } from "../kit/shown";

/** What can be moved of a carry: where it touches, where its load hangs, and how a hanging one is held. */
const movesOf = ({ camber }: AskedCarry["carry"]) =>
  [
    { label: "contact up", part: "alongTrunkMm", unit: "mm", step: 5 },
    { label: "contact ahead", part: "forwardMm", unit: "mm", step: 5 },
    { label: "load down", part: "camberDropMm", unit: "mm", step: 5 },
    camber === "rigid"
      ? ({ label: "load ahead", part: "camberForwardMm", unit: "mm", step: 5 } as const)
      : ({ label: "held back", part: "heldAngleDeg", unit: "°", step: 1 } as const),
  ] as const;

/** One carry of the comparison: its figure, its numbers, and what can be moved of it. */
export function CarryCard({
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
          className="select select-sm border-b-4 font-semibold"
          style={{ borderBottomColor: ink }}
        >
          {CARRY_KEYS.map((one) => (
            <option key={one} value={one}>
              {CARRIES[one].name}
            </option>
          ))}
        </select>
        {onRemove && (
          <button type="button" className="btn btn-ghost btn-sm" aria-label={`Remove: ${name}`} onClick={onRemove}>
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
        arms={{ carry: key, heightMm: state.build.heightMm }}
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
          {movesOf(carry).map(({ label, part, unit, step }) => (
            <Slider
              key={part}
              {...{ label, unit, step }}
              range={BALANCE_RANGES[part]}
              value={carry[part]}
              onChange={(value) => move({ [part]: value })}
            />
          ))}
        </div>
      </details>
    </section>
  );
}

function Numbers({ answer }: { answer: Balance }) {
  const { mm } = useShown();
  const roll = answer.rollTorqueNm;
  // The plain word first; its term, for whoever looks for it, small beside.
  const rows: [plain: string, term: string, value: string, unit: string][] = [
    ["leans forward", "trunk lean", fixed(answer.trunkLeanDeg, 1), "°"],
    ["the hips hold", "moment", fixed(answer.hipMomentNm, 1), "N·m"],
    ["the knees hold", "moment", fixed(answer.kneeMomentNm, 1), "N·m"],
    [
      "hips against knees",
      "",
      answer.hipToKnee === null || answer.kneeMomentNm <= 0 ? "–" : fixed(answer.hipToKnee, 2),
      "",
    ],
    [rollWords(roll), "torque", fixed(Math.abs(roll), 1), "N·m"],
    ["load ahead of mid-foot", "", mm(answer.loadAheadOfMidFootMm, 0), ""],
    ...(answer.correctionReachMm === null
      ? []
      : ([
          ["the hands can move it", "", mm(answer.correctionReachMm, 0), ""],
          ["held by the hands", "torque", fixed(answer.holdTorqueNm, 1), "N·m"],
        ] as [string, string, string, string][])),
  ];
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
      {rows.map(([label, term, value, unit], i) => (
        <div key={i} className="border-base-300 col-span-2 grid grid-cols-subgrid border-b py-0.5 last:border-b-0">
          <dt>
            {label} {term && <span className="text-quiet text-xs">{term}</span>}
          </dt>
          <dd className="text-right tabular-nums">
            <strong>{value}</strong> <span className="unit inline-block w-8 text-left">{unit}</span>
          </dd>
        </div>
      ))}
    </dl>
  );
}
