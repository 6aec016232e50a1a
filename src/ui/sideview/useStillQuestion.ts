"use client";

import { useState } from "react";
import { fieldNumber, typedIn, unitName } from "@/core/units/shown";
import type { SideView } from "@/server/sideview";
import { useShown } from "../kit/shown";
import type { StillAsked, StillBar, StillLifter } from "./stillProps";
import { typed } from "./StillOptions";

const START_LOAD_KG = 100;

interface Asked {
  saved: SideView | null;
  lifter: StillLifter | null;
  bars: readonly StillBar[];
  asked: StillAsked;
}

/** Which bar at which setting with which load, and how tall whoever lifts it is. */
export function useStillQuestion({ saved, lifter, bars, asked }: Asked) {
  const shown = useShown();
  // What is typed stays in the units in which it was begun, whatever is shown for a moment.
  const [units] = useState(shown.units);
  const [height, setHeight] = useState("");
  const [tag, setTag] = useState(saved?.tag ?? bars.find((bar) => bar.tag === asked.tag)?.tag ?? bars[0]?.tag ?? "");
  const [setting, setSetting] = useState(saved?.setting ?? asked.setting ?? "");
  const [load, setLoad] = useState(
    () => (saved ? null : asked.load) ?? fieldNumber(saved?.loadKg ?? START_LOAD_KG, "kg", units),
  );
  const bar = bars.find((one) => one.tag === tag) ?? null;
  return {
    ...{ tag, setTag, setting, setSetting, load, setLoad, height, setHeight, bar },
    massUnit: unitName("kg", units),
    carry: bar ? (bar.settings.find(({ words }) => words === setting)?.carry ?? bar.carry) : null,
    loadKg: typed(typedIn(load, "kg", units), "kg"),
    heightMm: lifter?.build.heightMm ?? typed(typedIn(height, "mm", units), "mm") ?? null,
  };
}
