import { KG_PER_LB } from "@/core/units/constants";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { massText, signed } from "@/core/units/format";
import type { LoadPlan } from "@/server/loading";
import { ChangeLink } from "../kit/ChangeLink";
import { Say } from "../kit/shown";
import { OtherUnit } from "./OtherUnit";
import { loadAddress, type LoadState } from "./loadState";
import { changeBetween, plateLabel, stackWords } from "./plateWords";

interface Props {
  plan: LoadPlan;
  answer: LoadPlan["answer"] & { ok: true };
  state: LoadState;
}

/** The words a person would say, the error if any, and what to take off and put on from what is there now. */
export function LoadAnswer({ plan: { plates, onBar, borrow, heldElsewhere, away, question }, answer, state }: Props) {
  const { unit } = state;
  const system = unit === "kg" ? "metric" : "imperial";
  const words = stackWords(answer.perSide, plates);
  const achieved = kgFromMassUnits(answer.achievedUnits);
  const error = kgFromMassUnits(answer.errorUnits) / (unit === "kg" ? 1 : KG_PER_LB);
  const change = changeBetween(onBar, answer.perSide);
  const isNear = Math.abs(answer.errorUnits) <= (question.floorUnits ?? 0);
  const isLoaded = onBar.length > 0 && change.off.length + change.on.length === 0;
  return (
    <div className="mt-5 grid gap-3" aria-live="polite">
      <p className="text-2xl leading-tight font-bold" data-testid="per-side">
        {words ? (
          <>
            {words} <span className="text-quiet font-normal">each side</span>
          </>
        ) : (
          "The empty bar"
        )}
      </p>
      <p className={isNear ? "text-success" : "text-accent"} data-testid="achieved">
        {answer.errorUnits === 0
          ? `Exactly ${massText(achieved, system, 3)} ${unit}.`
          : `${massText(achieved, system, 2)} ${unit}: ${signed(error, 2)} ${unit} off target.`}
        <OtherUnit kg={achieved} asked={unit} />
      </p>
      {away.length > 0 && (
        <p className="text-sm">
          <Say text={away.map(({ message }) => message).join(" ")} />
        </p>
      )}
      {answer.warnings.map(({ code, message }) => (
        <p key={code} className="text-accent border-accent border-l-4 pl-2 text-sm">
          <Say text={message} />
        </p>
      ))}
      {borrow && (
        <p className="border-primary border-l-4 pl-2 text-sm">
          <strong>
            Borrow{" "}
            {borrow.from
              .map(
                ({ key, pairs, where }) =>
                  `${pairs === 1 ? "a pair" : `${pairs} pairs`} of ${plateLabel(key, plates)} from ${where.join(" or ")}`,
              )
              .join(", ")}
          </strong>{" "}
          and it is {borrow.errorUnits === 0 ? "exactly " : ""}
          {massText(kgFromMassUnits(borrow.achievedUnits), system, 2)} {unit}.
        </p>
      )}
      {!borrow && heldElsewhere.length > 0 && (
        <p className="text-quiet text-xs">
          Not counted, since they are on other bars now:{" "}
          {heldElsewhere.map(({ key, pairs, where }) => `${pairs} × ${plateLabel(key, plates)} (${where})`).join(", ")}.
        </p>
      )}
      {onBar.length > 0 && (
        <p>
          On it now: {stackWords(onBar, plates)}.{" "}
          {isLoaded ? (
            "Already loaded."
          ) : (
            <strong>
              {change.off.length > 0 && `Take off ${stackWords(change.off, plates)}. `}
              {change.on.length > 0 && `Put on ${stackWords(change.on, plates)}.`}
            </strong>
          )}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {!isLoaded && answer.perSide.length > 0 && (
          <ChangeLink
            href={loadAddress(state, { onBar: answer.perSide })}
            change={{ on: answer.perSide.join(",") }}
            className="btn btn-neutral min-h-12"
          >
            Mark loaded
          </ChangeLink>
        )}
        {onBar.length > 0 && (
          <ChangeLink
            href={loadAddress(state, { onBar: [] })}
            change={{ on: null }}
            className="btn btn-outline min-h-12"
          >
            The bar is empty
          </ChangeLink>
        )}
      </div>
      {answer.alternatives.length > 0 && (
        <p className="text-sm">
          <span className="text-quiet">Near it: </span>
          {answer.alternatives.map(({ achievedUnits, perSide }, i) => {
            const kg = kgFromMassUnits(achievedUnits);
            return (
              <span key={achievedUnits}>
                {i > 0 && " · "}
                <ChangeLink
                  className="link inline-block py-2"
                  href={loadAddress(state, { target: massText(kg, system, 3) })}
                  change={{ target: `${massText(kg, system, 3)}${unit}` }}
                  title={stackWords(perSide, plates)}
                >
                  {massText(kg, system, 2)} {unit}
                </ChangeLink>
              </span>
            );
          })}
        </p>
      )}
    </div>
  );
}
