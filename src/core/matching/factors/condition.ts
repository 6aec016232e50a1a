import { sentence } from "../../units/format";
import type { Factor } from "../question";

/**
 * In service, under watch, or out of use.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const state: Factor = ({ bar }) => {
  const because = bar.stateReason ? `: ${bar.stateReason}` : "";
  const base = { factor: "state", basis: "data" } as const;
  switch (bar.state) {
    case "in-service":
      return null;
    case "watch":
      return {
        ...base,
        atBest: "good",
        text: () => `Under watch${because}.`,
        wouldChange: () => "An inspection that finds it in order.",
      };
    case "quarantined":
      return {
        ...base,
        atBest: "never",
        text: () => `Quarantined${because}.`,
        wouldChange: () => "Only the manager returns it to service.",
      };
    case "retired":
      return { ...base, atBest: "never", text: () => "Retired." };
    case "on-order":
      return { ...base, atBest: "never", text: () => "Ordered, not here yet.", wouldChange: () => "Its arrival." };
  }
};

/**
 * What was found wrong with it and is not resolved: said, and it stands after those of which nothing is.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const findings: Factor = ({ barToday }) => {
  const open = barToday?.findings ?? [];
  if (open.length === 0) return null;
  return {
    factor: "findings",
    basis: "data",
    atBest: "made-for",
    text: () => `Not resolved: ${open.slice(0, 3).join("; ")}${open.length > 3 ? ` and ${open.length - 3} more` : ""}.`,
    wouldChange: () => "Look at it and resolve it.",
    value: open.length,
  };
};

/** Overdue by this many days it is no longer in good order. Common practice, no source. */
const LATE_DAYS = 7;

/**
 * Whether it is in good order: care that is long overdue.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const order: Factor = ({ barToday }) => {
  const overdue = barToday?.overdue ?? null;
  if (!overdue || overdue.days < LATE_DAYS) return null;
  return {
    factor: "order",
    basis: "data",
    atBest: "good",
    text: () => `${sentence(overdue.task)}: ${overdue.days} days late.`,
    wouldChange: () => "Do it and the bar moves up.",
    value: overdue.days,
    unit: "days",
  };
};

/**
 * Whether it hangs where it is wanted: said, and decides among equals.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const near: Factor = ({ barToday, near: wanted }) => {
  const place = barToday?.place ?? null;
  if (wanted === null || place === null) return null;
  return {
    factor: "near",
    basis: "data",
    atBest: "made-for",
    value: place === wanted ? 1 : 0,
    text: () => `It hangs at ${place}, ${place === wanted ? "beside the station" : "not beside the station"}.`,
  };
};

/**
 * Whether it is free.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const free: Factor = ({ barToday }) => {
  const takenAt = barToday?.takenAt ?? null;
  if (takenAt === null) return null;
  return {
    factor: "free",
    basis: "data",
    atBest: "usable",
    text: () => `In use at ${takenAt}.`,
    wouldChange: () => "When it is free again.",
  };
};
