/**
 * How a bar is carried: where it touches the trunk, and where its load sits from there.
 * Datum: the contact is at hip + (trunk × alongTrunk + alongTrunkMm) up the trunk + forwardMm ahead of it.
 */
export interface Carry {
  /** Share of the trunk's length from hip (0) to shoulder (1). */
  alongTrunk: number;
  /** Added to that, up the trunk, in mm; negative is lower. */
  alongTrunkMm: number;
  /** Ahead of the trunk's line, in mm; negative lies behind it, on the back. */
  forwardMm: number;
  /** From the contact to the load, ahead, in mm; only for a camber that is rigid to the trunk. */
  camberForwardMm: number;
  /** From the contact to the load, down, in mm. */
  camberDropMm: number;
  /** Rigid to the trunk, or hanging plumb whatever the trunk does. */
  camber: "rigid" | "hanging";
  /** How far a hanging load is pulled back from plumb, in degrees; positive towards the heels. */
  heldAngleDeg: number;
}

export const CARRY_KEYS = ["goblet", "front", "yoke", "high", "cambered", "low", "low-yoke"] as const;
export type CarryKey = (typeof CARRY_KEYS)[number];

export interface NamedCarry {
  key: CarryKey;
  name: string;
  /** The same after "with": "the bar in front". */
  phrase: string;
  carry: Carry;
  /** How far the shank usually leans with it, in degrees; where a lifter sits is part of the carry. */
  shankLeanDeg: number;
}

const at = (
  key: CarryKey,
  [name, phrase]: [string, string],
  [alongTrunkMm, forwardMm]: [number, number],
  [camberForwardMm, camberDropMm]: [number, number],
  shankLeanDeg: number,
  camber: Carry["camber"] = "rigid",
): NamedCarry => ({
  key,
  name,
  phrase,
  shankLeanDeg,
  carry: { alongTrunk: 1, alongTrunkMm, forwardMm, camberForwardMm, camberDropMm, camber, heldAngleDeg: 0 },
});

/** Starting carries (handbook §8; ours, from common practice; editable). */
export const CARRIES: Record<CarryKey, NamedCarry> = {
  goblet: at("goblet", ["goblet-like", "a goblet hold"], [0, 20], [220, 100], 38),
  front: at("front", ["front", "the bar in front"], [-20, 100], [0, 0], 36),
  yoke: at("yoke", ["safety squat bar", "a safety squat bar"], [30, -20], [90, 80], 34),
  high: at("high", ["high on the back", "the bar high on the back"], [20, -50], [0, 0], 32),
  cambered: at("cambered", ["cambered bar, hanging", "a hanging cambered bar"], [0, -60], [0, 300], 32, "hanging"),
  low: at("low", ["low on the back", "the bar low on the back"], [-60, -90], [0, 0], 29),
  "low-yoke": at("low-yoke", ["low safety squat bar", "a low safety squat bar"], [-70, -80], [120, 92], 29),
};
