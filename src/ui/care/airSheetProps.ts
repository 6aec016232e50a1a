import type { SteelReading } from "@/core/care/climateDay";
import type { ClimateMonth } from "@/core/care/climateMonths";
import type { SensorRow } from "@/server/care/air";
import type { FormAction } from "../kit/formState";

/** What the sheet and its parts are given. */
export interface AirSheetProps {
  sensors: readonly { key: string; name: string }[];
  sensor: SensorRow;
  months: readonly ClimateMonth[];
  days: readonly { day: string; rateUmPerYear: number; wetHours: number; dewHours: number }[];
  /** What fell in each month, by "2026-11". */
  depositionOf: Readonly<Record<string, { so2: number; chloride: number }>>;
  now: SteelReading | null;
  steel: readonly SteelReading[];
  timeZone: string;
  extent: { readings: number; uploaded: number; since: string | null };
  today: string;
  mayEdit: boolean;
  importAction: FormAction;
  sensorAction: FormAction;
}
