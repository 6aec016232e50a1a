"use client";

import { drawnLater } from "../kit/fetched";

export const BandChart = drawnLater(async () => (await import("./StrengthCharts")).BandChart, "h-36");
export const WorkChart = drawnLater(async () => (await import("./StrengthCharts")).WorkChart, "h-36");
