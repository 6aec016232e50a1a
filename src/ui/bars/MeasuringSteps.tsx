"use client";

import { FAMILIES } from "@/core/bars/families";
import { QUANTITIES, quantityLabel } from "@/core/bars/quantities";
import { QuantityText } from "../kit/QuantityText";
import { sessionKinds, type SessionBar, type Step } from "./measuring";

/** The bars of the session; of the one at hand, every quantity and how well it is known. */
export function StepList({ bars, step, onStep }: { bars: SessionBar[]; step: Step; onStep: (step: Step) => void }) {
  return (
    <nav
      aria-label="Bars and quantities"
      className="sheet order-last max-h-[70vh] overflow-y-auto lg:order-first"
      tabIndex={0}
    >
      <ul>
        {bars.map(({ bar }) => {
          const kinds = sessionKinds(bar);
          const done = kinds.filter((kind) => bar.quantities[kind]?.source === "measured").length;
          const isHere = bar.tag === step.tag;
          return (
            <li key={bar.tag} className="border-base-300 border-b last:border-b-0">
              <button
                type="button"
                className={`flex min-h-11 w-full items-center gap-2 px-3 text-left text-sm ${isHere ? "font-bold" : ""}`}
                aria-current={isHere ? "step" : undefined}
                onClick={() => onStep({ tag: bar.tag, kind: kinds[0]! })}
              >
                <span className="bar-tag">{bar.tag}</span>
                <span className="min-w-0 grow truncate">{bar.name}</span>
                <span className="text-quiet text-xs font-normal" title="measured of all">
                  {done}/{kinds.length}
                </span>
              </button>
              {isHere && (
                <ul className="pb-2">
                  {kinds.map((kind) => {
                    const known = bar.quantities[kind];
                    return (
                      <li key={kind}>
                        <button
                          type="button"
                          aria-current={kind === step.kind ? "step" : undefined}
                          onClick={() => onStep({ tag: bar.tag, kind })}
                          className={`flex min-h-9 w-full items-center justify-between gap-2 px-3 text-left text-xs ${kind === step.kind ? "bg-primary/10 font-bold" : ""}`}
                        >
                          <span>{quantityLabel(kind, FAMILIES[bar.family].form)}</span>
                          {known ? (
                            <QuantityText
                              quantity={known}
                              decimals={QUANTITIES[kind].decimals}
                              unit={QUANTITIES[kind].unit}
                              isBare
                            />
                          ) : (
                            <span className="text-quiet">–</span>
                          )}
                        </button>
                      </li>
                    );
                  })}
                </ul>
              )}
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
