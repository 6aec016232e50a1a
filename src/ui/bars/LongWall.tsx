"use client";

import dynamic from "next/dynamic";

/** The wall of a gym with many bars. Apart from the rest: only that gym's browsers fetch what draws rows as they come near. */
export const LongWall = dynamic(() => import("./WallRows").then(({ WallRows }) => WallRows));
