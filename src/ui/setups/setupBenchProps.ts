import type { ReactNode } from "react";
import type { Build } from "@/core/balance/body";
import type { SvgSheet } from "@/core/drawing/svgText";
import type { Lift } from "@/core/matching/lifts";
import type { FrameAnswer } from "@/core/setups/frame";
import type { FrameWay } from "@/core/setups/frameWays";
import type { SetupCard } from "@/core/setups/setupCard";
import type { KeptSetting, SetBar, StationHoles } from "@/server/setups";
import type { FormAction } from "../kit/formState";
import type { SearchTexts, SetupState } from "./setupState";

export interface SetupBenchProps {
  set: SetBar;
  state: SetupState;
  search: SearchTexts;
  card: SetupCard;
  drawing: SvgSheet;
  build: Build | null;
  lifter: { key: string; name: string } | null;
  isMeasured: boolean;
  lifters: readonly { key: string; name: string }[];
  lifts: readonly Lift[];
  plates: readonly number[];
  holes: readonly StationHoles[];
  frame: FrameAnswer | null;
  /** Every height it can be set to, or settings one after the other. */
  heights: ReactNode;
  ways: { ways: readonly FrameWay[]; refused: readonly FrameWay[] } | null;
  wayWords: (way: FrameWay) => string;
  wayHref: (way: FrameWay) => string;
  wayChange: (way: FrameWay) => Record<string, string | null>;
  kept: readonly KeptSetting[];
  likeFor: (setting: KeptSetting) => { key: string; name: string; apartMm: number | null }[];
  mayEdit: boolean;
  canCopy: boolean;
  cardsHref: string;
  keepAction: FormAction;
  standAction: FormAction;
  copyAction: FormAction;
}
