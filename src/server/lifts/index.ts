import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { KIND, type LiftRow, after, allLifts, liftOf, liftTexts, saveLift } from "./lifts";
export {
  type MeetingSpecRow,
  type SpecValue,
  meetingRules,
  ownMeetingSpecs,
  readSpec,
  removeMeetingSpec,
  saveMeetingSpec,
  specKey,
  writeSpec,
} from "./meetings";
