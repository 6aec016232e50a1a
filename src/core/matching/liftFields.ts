import type { FieldDef } from "../bars/barFields";
import { LIFT_KEYS, LIFTS } from "./lifts";

/** Names of the usual lifts, by key. */
export const LIFT_NAMES: Readonly<Record<string, string>> = Object.fromEntries(
  LIFT_KEYS.map((key) => [key, LIFTS[key].name]),
);

/** What is kept of a lift (handbook §7). */
export const LIFT_FIELDS = {
  key: {
    kind: "text",
    most: 40,
    group: "identity",
    label: "short name",
    isRequired: true,
    hint: "steady: pause-squat",
  },
  name: { kind: "text", most: 60, group: "identity", label: "name", isRequired: true },
  like: {
    kind: "choice",
    of: LIFT_KEYS,
    words: LIFT_NAMES,
    group: "identity",
    label: "judged like",
    isRequired: true,
    hint: "which bars suit it follows from that lift",
  },
  speed: {
    kind: "choice",
    of: ["slow", "fast"],
    words: { slow: "slow", fast: "fast: the bar turns over" },
    group: "identity",
    label: "speed",
    isRequired: true,
  },
  start: { kind: "choice", of: ["floor", "rack"], group: "identity", label: "starts from the", isRequired: true },
  ending: {
    kind: "choice",
    of: ["racked", "lowered", "dropped"],
    words: { racked: "racked", lowered: "lowered to the floor", dropped: "dropped" },
    group: "identity",
    label: "ends",
    isRequired: true,
  },
  contact: { kind: "choice", of: ["hands", "back", "front"], group: "identity", label: "touches", isRequired: true },
  supportHalfSpacingMm: {
    kind: "number",
    unit: "mm",
    range: [0, 1000],
    group: "identity",
    label: "from the middle to the hands, or the edge of the back",
    isRequired: true,
  },
  isCentreScraped: { kind: "yes-no", group: "identity", label: "the middle runs along shins or throat" },
  usualKg: {
    kind: "number",
    unit: "kg",
    range: [1, 1000],
    group: "identity",
    label: "a usual load, bar included",
    isRequired: true,
    hint: "used by the wall screen and by Coverage",
  },
  prerequisite: {
    kind: "text",
    most: 120,
    group: "identity",
    label: "a coach confirms first",
    hint: "blank: nothing required",
  },
} as const satisfies Record<string, FieldDef>;
