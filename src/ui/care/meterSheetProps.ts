import type { CareRule } from "@/core/care/needMeter";
import type { StaffHours } from "@/core/care/staffHours";
import type { InspectionLimits } from "@/core/care/inspection";
import type { MeterItem } from "@/server/care/planning";
import type { FormAction } from "../kit/formState";

/** What the sheet and its parts are given. */
export interface MeterSheetProps {
  items: readonly MeterItem[];
  /** Bars in all, and how many come before these. */
  total: number;
  from: number;
  rules: {
    rule: CareRule;
    limits: InspectionLimits;
    hourMinor: number | null;
    quiet: readonly StaffHours[];
    version: number;
  };
  today: string;
  mayRule: boolean;
  mayEdit: boolean;
  rulesAction: FormAction;
  factorsAction: FormAction;
}
