import "server-only";
import { STEADY_KINDS, STEADY_NAMES, steadinessFrom, type SteadyKind } from "@/core/comparing/steadiness";
import { type Context, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { keepRule, storedRule } from "./houseRule";

const KEY = "steadiness";

/** How steady kinds of bars feel, as this gym ranks them, the steadiest first. */
export async function steadinessRules({
  hall,
}: Pick<Context, "hall">): Promise<{ order: readonly SteadyKind[]; version: number }> {
  const { value, version } = await storedRule(hall, KEY);
  return { order: steadinessFrom((value as { order?: unknown } | undefined)?.order), version };
}

/** Saves the order; each kind stands in it once. */
export async function saveSteadiness(
  context: Context,
  order: readonly string[],
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const problems = STEADY_KINDS.flatMap((kind) => {
    const times = order.filter((one) => one === kind).length;
    return times === 1
      ? []
      : [
          {
            path: kind,
            message: `${STEADY_NAMES[kind]}: it stands ${times === 0 ? "nowhere" : `${times} times`}; once is right`,
          },
        ];
  });
  if (problems.length > 0 || order.length !== STEADY_KINDS.length) return failed("invalid", "Not saved.", problems);
  return keepRule(context, {
    ...{ key: KEY, value: { order }, version, action: "how steady bars feel", what: "the order" },
    before: (stored) => ({ order: steadinessFrom((stored as { order?: unknown } | undefined)?.order) }),
  });
}
