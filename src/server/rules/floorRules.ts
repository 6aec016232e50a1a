import "server-only";
import { FLOOR_RANGE_MM, type FloorSize } from "@/core/setups/floorSpace";
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
export async function saveFloor(context: Context, floor: FloorSize, version: number): Promise<Outcome<object>> {
  if (!may(context, "equipment.edit")) return forbidden("say how large the floor is");
  const [least, most] = FLOOR_RANGE_MM;
  const problems = (["widthMm", "depthMm"] as const).flatMap((path) =>
    floor[path] >= least && floor[path] <= most
      ? []
      : [
          {
            path,
            message: `${path === "widthMm" ? "Width" : "Depth"}: ${least / 1000} to ${most / 1000} m, for example 12 m or 40 ft.`,
          },
        ],
  );
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  return keepRule(context, {
    ...{ key: KEY, value: floor, version, action: "size of the floor", what: "the size" },
    before: (stored) => stored ?? {},
  });
}
