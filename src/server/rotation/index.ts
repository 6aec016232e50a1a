import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type LiftedWeek,
  type RotationForm,
  type RotationRow,
  type RotationView,
  deleteRotation,
  liftedKey,
  listRotations,
  pinWeeks,
  rotationOf,
  saveRotation,
} from "./rotations";
export { sessionDay } from "./planning";
export { type Sent, sendToClasses } from "./sendToClasses";
