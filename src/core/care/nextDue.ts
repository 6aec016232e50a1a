import type { HallDay } from "../units/hallDay";

/** When a task of a bar is due next, by the calendar or by need. */
export interface CareDue {
  dueOn: HallDay;
  intervalDays: number;
  /** Why, in one sentence without a date that ages: "bare shaft in salt-humid air: every 10 days". */
  reason: string;
  /** What hastens it, in a few words, the first thing a person would say: "no record", "damp air"; empty as usual. */
  drivers: string[];
}
