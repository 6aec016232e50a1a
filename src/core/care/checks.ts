import { FAMILIES, type FamilyKey } from "../bars/families";
import { type InspectionFacts, type InspectedPart, judgeInspection } from "./inspection";

/** One answer to a check of care: what somebody saw, as an inspection notes it. */
export interface CheckAnswer {
  key: string;
  name: string;
  /** What it notes; what it says nothing of was not looked at. */
  facts: Partial<InspectionFacts>;
  /** Whether nothing is wrong. */
  isSound: boolean;
}

const answer = (key: string, name: string, facts: CheckAnswer["facts"]): CheckAnswer => ({
  key,
  name,
  facts,
  isSound: judgeInspection({ ...NOT_LOOKED_AT, ...facts }).verdict === "keep",
});

/** An inspection in which nothing was looked at yet. */
export const NOT_LOOKED_AT: InspectionFacts = {
  dialMm: null,
  hops: null,
  crackSeen: null,
  spinLeftS: null,
  spinRightS: null,
  endPlayMm: null,
  knurl: null,
  rust: null,
  parts: {},
};

/** Parts that only bars of some forms have. */
const JOINTS: Record<"yoke" | "other", readonly InspectedPart[]> = {
  yoke: ["welds", "pins", "pads"],
  other: ["welds", "pins"],
};

/**
 * What a check of care may find, the good answer first: care that only looks is not done by a tap, it wants a result
 * (handbook §11). Care that does something (brushing, oiling) has no answers. The wordings are ours.
 *
 * @returns the answers to choose from; none where the task is work
 */
export function checkAnswers(task: string, family: FamilyKey): readonly CheckAnswer[] {
  switch (task) {
    case "straightness":
      return [
        answer("straight", "Straight, no crack seen", { hops: false, crackSeen: false }),
        answer("hops", "Wobbles when rolled", { hops: true }),
        answer("crack", "Crack", { crackSeen: true }),
      ];
    case "sleeve-check":
      return [
        answer("sound", "Turn freely, caps tight", { sleeves: "free", parts: { "end caps": "sound" } }),
        answer("drags", "A sleeve sticks or clicks", { sleeves: "drags" }),
        answer("loose", "Loose cap or ring", { parts: { "end caps": "loose" } }),
      ];
    case "joints": {
      const parts = JOINTS[FAMILIES[family].form === "yoke" ? "yoke" : "other"];
      return [
        answer("sound", "All sound, no crack seen", {
          crackSeen: false,
          parts: Object.fromEntries(parts.map((part) => [part, "sound"])),
        }),
        ...(parts.includes("pads") ? [answer("worn", "Pads or handles worn", { parts: { pads: "worn" } })] : []),
        answer("loose", "Loose pin, knob or part", { parts: { pins: "loose" } }),
        answer("crack", "Crack", { crackSeen: true }),
      ];
    }
    default:
      return [];
  }
}
