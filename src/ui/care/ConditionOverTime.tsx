"use client";

import dynamic from "next/dynamic";

/** One bar's care against its condition. Apart from the rest: only who asks for a bar fetches what draws its axes. */
export const ConditionOverTime = dynamic(() => import("./ConditionChart").then(({ ConditionChart }) => ConditionChart));
