import type { Balance } from "@/core/balance/balance";
import type { BalanceState } from "@/core/balance/balanceState";
import { CARRIES } from "@/core/balance/carry";
import { Say } from "../kit/shown";
import { balanceSentence, carryDifference } from "@/core/balance/verdictWords";
import { sentence, trimmed } from "@/core/units/format";

/** What the figures say, in sentences: each carry at its own pose, all at one, or a hinge. */
export function Lesson({ state, answers }: { state: BalanceState; answers: readonly (Balance | null)[] }) {
  const known = answers.flatMap((answer, i) => (answer ? [{ ...CARRIES[state.carries[i]!.key], answer }] : []));
  const [first, ...others] = known;
  if (!first) return <p>Nothing balances at this depth. Lean the shanks more, or stay higher.</p>;
  if (state.mode === "hinge")
    return (
      <p>
        At the same trunk lean the hip moment is{" "}
        {known.map(({ phrase, answer }, i) => (
          <span key={phrase}>
            {i > 0 && ", "}
            <strong>{trimmed(answer.hipMomentNm, 0)} N·m</strong> with {phrase}
          </span>
        ))}
        . Lower on the back means a shorter arm.
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
        <strong>{sentence(first.name)}.</strong> <Say text={balanceSentence(first.answer)} />
      </p>
      {others.map(({ phrase, answer }) => (
        <p key={phrase}>{carryDifference(first.answer, answer, [first.phrase, phrase])}</p>
      ))}
    </>
  );
}
