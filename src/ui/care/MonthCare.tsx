"use client";

import { drawnLater } from "../kit/fetched";

/** Minutes of care by month. */
export const MonthBars = drawnLater(async () => (await import("./MonthBars")).MonthBars, "mt-2 h-44");
