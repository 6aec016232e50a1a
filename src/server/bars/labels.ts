import "server-only";
import { ratedTotalKg, valueOf } from "@/core/bars/bar";
import { FAMILIES, type FamilyKey } from "@/core/bars/families";
import type { LabelledBar } from "@/papers/labelsPdf";
import type { Context } from "@/server/access";
import { labelRules } from "@/server/rules";
import { barsOnTheWall } from "./bars";

/** Which bars get a label: all of the wall where nothing is said. */
export interface LabelAsk {
  family?: string;
  place?: string;
  tags?: readonly string[];
}

/** Bars with what their labels say, by tag; each code leads to the bar's own page. */
export async function labelledBars(
  context: Context,
  { family, place, tags }: LabelAsk,
): Promise<(LabelledBar & { familyKey: FamilyKey })[]> {
  const [wall, { colours }] = await Promise.all([barsOnTheWall(context), labelRules(context)]);
  return wall
    .filter((item) => !family || item.bar.family === family)
    .filter((item) => !place || item.place === place)
    .filter((item) => !tags || tags.includes(item.bar.tag))
    .map(({ bar }) => ({
      tag: bar.tag,
      name: bar.name,
      familyKey: bar.family,
      family: FAMILIES[bar.family].name,
      madeFor: FAMILIES[bar.family].madeFor,
      massKg: valueOf(bar, "mass"),
      ratedKg: ratedTotalKg(bar),
      colour: colours[bar.family] ?? null,
      address: `${context.publicUrl}/bars/${encodeURIComponent(bar.tag)}`,
    }));
}
