import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { calendarLinksOf, calendarOfToken, careCalendar, makeCalendarLink, revokeCalendarLink } from "./calendar";
export {
  PLAN_DAYS,
  type PlannedRound,
  crewHours,
  moveRound,
  planRounds,
  roundsOfToday,
  plannedRounds,
  saveStaffHours,
} from "./planner";
export { outboxOf, readMessage, remindOfRounds } from "./reminders";
export { type RoundStop, type RoundView, minutesLearned, plannedRoundOf, roundOf, touchRound } from "./round";
export { type SpotCheck, noteSeen, spotChecks } from "./spotChecks";
