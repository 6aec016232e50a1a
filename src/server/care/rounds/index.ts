import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { calendarLinksOf, calendarOfToken, careCalendar, makeCalendarLink, revokeCalendarLink } from "./calendar";
export { type PlannedRound, jobsOfRound, plannedRounds, roundsOfToday } from "./planned";
export { PLAN_DAYS, moveRound, planRounds } from "./planner";
export { crewHours, saveStaffHours } from "./staffHours";
export { outboxOf, readMessage, remindOfRounds } from "./reminders";
export {
  type RoundStations,
  type RoundStop,
  type RoundView,
  minutesLearned,
  plannedRoundOf,
  roundOf,
  touchRound,
} from "./round";
export { type SpotCheck, noteSeen, spotChecks } from "./spotChecks";
