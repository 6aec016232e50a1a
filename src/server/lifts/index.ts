import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { LIFT_KIND, type LiftRow, allLifts, liftOf, liftTexts, newLiftKind, saveLift } from "./lifts";
export {
  type MeetingSpecRow,
  meetingRules,
  ownMeetingSpecs,
  removeMeetingSpec,
  saveMeetingSpec,
  specKey,
  writeSpec,
} from "./meetings";
