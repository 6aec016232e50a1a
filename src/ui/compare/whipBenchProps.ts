"use client";

import type { Bar } from "@/core/bars/bar";
import type { Disc } from "@/core/whip/assumedPlates";

export interface Props {
  /** The bars that bend, with their place in the comparison, which gives the ink. */
  bars: readonly { bar: Bar; ink: number }[];
  loadKg: number;
  handsMm: number;
  disc: Disc;
  isFloor: boolean;
  noticeableMm: number;
}

export const MAX_LIFTED_KG = 500;
