import "server-only";
import type { PlannedClass } from "@/core/classes/planClass";
import type { Context } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { listClamps } from "@/server/equipment";
import { planLoad } from "@/server/loading";
import type { ClassItem } from "./classes";

/**
 * The plates of each placed entry's work set, on the bar that the plan gives it.
 *
 * @returns plate keys of one side, inside first, by entry; nothing where the load cannot be put on
 */
export async function boardPlates(
  context: Context,
  items: readonly ClassItem[],
  plan: PlannedClass | null,
): Promise<Map<string, string[]>> {
  if (!plan) return new Map();
  const [wall, [clamps]] = await Promise.all([barsOnTheWall(context), listClamps(context)]);
  // Two at one station with one load are worked out once.
  const known = new Map<string, Promise<string[] | null>>();
  const found = await Promise.all(
    plan.entries.map(async ({ id, tag }): Promise<[string, string[]] | null> => {
      const [item, bar] = [items.find((one) => one.id === id), wall.find((one) => one.bar.tag === tag)];
      if (!item || !bar) return null;
      const key = `${tag} ${item.loadKg}`;
      const asked =
        known.get(key) ??
        planLoad(context, bar, {
          ...{ targetKg: item.loadKg, clamps: clamps ?? null, ending: "lowered", rounding: "nearest" },
          ...{ toleranceKg: null, only: null, onBar: [] },
        }).then((result) => (result.ok && result.plan.answer.ok ? result.plan.answer.perSide : null));
      known.set(key, asked);
      const perSide = await asked;
      return perSide ? [id, perSide] : null;
    }),
  );
  return new Map(found.filter((one) => one !== null));
}
