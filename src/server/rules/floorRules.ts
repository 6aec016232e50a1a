import "server-only";
import type { FloorSize } from "@/core/setups/floorSpace";
import { readFloor } from "@/core/setups/readFloor";
import { type Context, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { keepRule, storedRule } from "./houseRule";

const KEY = "floor";

/** How large the gym's floor is; null where nobody paced it out. */
export async function floorRules({
  hall,
}: Pick<Context, "hall">): Promise<{ floor: FloorSize | null; version: number }> {
  const { value, version } = await storedRule(hall, KEY);
  const floor = value as Partial<FloorSize> | undefined;
  return {
    floor: floor?.widthMm && floor.depthMm ? { widthMm: floor.widthMm, depthMm: floor.depthMm } : null,
    version,
  };
}

/** Saves it. */
export async function saveFloor(
  context: Context,
  texts: Readonly<Partial<Record<keyof FloorSize, string>>>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "equipment.edit")) return forbidden("say how large the floor is");
  const read = readFloor(texts);
  if (!read.ok) return failed("invalid", "Not saved.", read.problems);
  return keepRule(context, {
    ...{ key: KEY, value: read.floor, version, action: "size of the floor", what: "the size" },
    before: (stored) => stored ?? {},
  });
}
