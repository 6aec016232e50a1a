import type { CareTaskKey } from "./careTasks";
import type { MeterTask } from "./needMeter";

/**
 * Base intervals of the need meter in temperate air, and how much of the air reaches what is cared for: fitted so that
 * common practice comes out at the anchors (handbook §11). All of the air reaches a shaft, half of it what is inside a
 * sleeve or at a joint, none of it makes a bar bend.
 */
export const METER_TASKS: Record<CareTaskKey, MeterTask> = {
  shaft: { baseDays: 18, dependsOnFinish: true, climateShare: 1 },
  sleeves: { baseDays: 45, dependsOnFinish: false, climateShare: 0.5, useShare: 0.5 },
  "sleeve-check": { baseDays: 90, dependsOnFinish: false, climateShare: 0.5, useShare: 0.5 },
  straightness: { baseDays: 180, dependsOnFinish: false, climateShare: 0 },
  joints: { baseDays: 90, dependsOnFinish: false, climateShare: 0.5 },
};
