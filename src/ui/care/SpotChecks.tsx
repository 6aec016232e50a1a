"use client";

import type { SpotCheck } from "@/server/care/rounds";
import { BarTag } from "../kit/BarTag";
import { dayText } from "@/core/units/dates";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useOpened } from "../kit/useOpened";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  checks: readonly SpotCheck[];
  today: string;
  action: FormAction;
}

/** Bars to look at every day: chalk left on, and the busiest. Two answers, one touch each. */
export function SpotChecks({ checks, today, action }: Props) {
  const [form, note, isPending] = useFormAction(action);
  const open = checks.filter(({ isLookedAt }) => !isLookedAt);
  const { isOpen, fold } = useOpened(open.some(({ chalkSeenOn }) => chalkSeenOn !== null));
  if (checks.length === 0) return null;
  return (
    <details className="sheet mb-3" {...fold}>
      <summary className="flex min-h-11 cursor-pointer items-center gap-2 px-4 text-sm">
        <strong>Spot check</strong>
        <span className="text-quiet">
          {open.length === 0
            ? "all its bars were checked today"
            : `${open.length} of ${checks.length} to look at: chalk left on, and the busiest`}
        </span>
      </summary>
      <FormMessage state={form} />
      {isOpen && (
        <form action={note}>
          <ul className="divide-base-300 border-base-300 divide-y border-t">
            {checks.map(({ tag, barName, place, uses, chalkSeenOn, isLookedAt }) => (
              <li key={tag} className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-1.5 text-sm">
                <BarTag tag={tag} />
                <span>{barName}</span>
                <span className="text-quiet">
                  {[
                    place,
                    chalkSeenOn && `chalk seen ${dayText(chalkSeenOn, today)}`,
                    uses > 0 && `used or planned ${uses} ${uses === 1 ? "time" : "times"}`,
                  ]
                    .filter(Boolean)
                    .join(" · ")}
                </span>
                <span className="ml-auto flex items-center gap-2">
                  {isLookedAt && <span className="text-success text-xs font-semibold">checked today</span>}
                  {(["clean", "chalk"] as const).map((seen) => (
                    <button
                      key={seen}
                      type="submit"
                      name="seen"
                      value={`${seen} ${tag}`}
                      disabled={isPending}
                      className="btn btn-sm btn-outline"
                    >
                      {seen === "clean" ? "Clean" : "Chalk on it"}
                      <span className="sr-only"> {tag}</span>
                    </button>
                  ))}
                </span>
              </li>
            ))}
          </ul>
        </form>
      )}
    </details>
  );
}
