import "server-only";
import { type KeepingTimes, readKeeping, STARTING_KEEPING } from "@/core/house/keeping";
import { type Context, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { keepRule, storedRule } from "./houseRule";

/** How long the house keeps what it need not keep for ever. */
export type KeepingRules = KeepingTimes & { version: number };

const KEEPING_KEY = "keeping";

const keepingFrom = (stored: unknown): KeepingTimes => ({
  ...STARTING_KEEPING,
  ...(stored as Partial<KeepingTimes> | undefined),
});

/** The house's rule; starting values where it decided nothing. */
export async function keepingRules({ hall }: Pick<Context, "hall">): Promise<KeepingRules> {
  const { value, version } = await storedRule(hall, KEEPING_KEY);
  return { ...keepingFrom(value), version };
}

/** Saves it; an empty number of months means for as long as nobody erases them. */
export async function saveKeepingRules(
  context: Context,
  texts: Readonly<Record<string, string>>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const read = readKeeping(texts);
  if (!read.ok) return failed("invalid", "Not saved.", read.problems);
  return keepRule(context, {
    ...{ key: KEEPING_KEY, value: read.value, version },
    action: "how long what is kept",
    what: "this",
    before: keepingFrom,
    differs: (stored) => {
      const { accountLogDays, retiredLifterMonths } = keepingFrom(stored);
      return [
        { path: "accountLogDays", message: `it is now “${accountLogDays}”` },
        { path: "retiredLifterMonths", message: `it is now “${retiredLifterMonths ?? ""}”` },
      ];
    },
  });
}
