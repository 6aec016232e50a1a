import type { ReactNode } from "react";
import type { BuyingChoice } from "@/server/buying";

/** What the sheet and its parts are given. */
export interface ChoiceSheetProps {
  choice: BuyingChoice;
  currency: string;
  budgetText: string;
  /** Bars that could be sold for it, with what they would bring. */
  sellable: readonly { tag: string; name: string; minor: number; misses: number }[];
  sold: readonly string[];
  /** What stands beside the answer, and comes after it. */
  children: ReactNode;
}
