import type { Carry } from "@/core/balance/carry";
import type { Build } from "@/core/balance/body";

/** A bar as far as a still goes: how it is carried, as it comes and at each of its settings. */
export interface StillBar {
  tag: string;
  name: string;
  massKg: number;
  contactShare: number;
  carry: Carry;
  settings: readonly { words: string; carry: Carry }[];
}

export interface StillLifter {
  key: string;
  name: string;
  build: Build;
}

/** What the page was opened with. */
export interface StillAsked {
  lift: string;
  tag: string | null;
  setting: string | null;
  load: string | null;
}
