"use client";

import { useEffect, useState } from "react";
import type { Drawing } from "@/core/drawing/shapes";
import { BarDrawing } from "../kit/BarDrawing";

export interface HungBar {
  tag: string;
  name: string;
  drawing: Drawing;
}

/** While nobody touches the screen it shows the wall, each bar as built, tall ones smaller; a touch brings the question back. */
export function IdleWall({ bars, afterSeconds }: { bars: readonly HungBar[]; afterSeconds: number }) {
  const [isIdle, setIdle] = useState(false);
  useEffect(() => {
    let timer = setTimeout(() => setIdle(true), afterSeconds * 1000);
    const touched = () => {
      clearTimeout(timer);
      setIdle(false);
      timer = setTimeout(() => setIdle(true), afterSeconds * 1000);
    };
    for (const kind of ["pointerdown", "keydown", "focusin"]) window.addEventListener(kind, touched);
    return () => {
      clearTimeout(timer);
      for (const kind of ["pointerdown", "keydown", "focusin"]) window.removeEventListener(kind, touched);
    };
  }, [afterSeconds]);
  if (!isIdle || bars.length === 0) return null;
  return (
    <section
      aria-label="The wall"
      className="bg-base-100 fixed inset-0 z-20 flex flex-col overflow-hidden px-[3vw] py-[3vh]"
    >
      <p className="mb-[2vh] text-[clamp(1.6rem,3.6vw,3.2rem)] font-bold">Which bar? Touch to ask.</p>
      <ul className="grid min-h-0 grow auto-rows-fr gap-x-[3vw] gap-y-1 md:grid-cols-2">
        {bars.map(({ tag, name, drawing }) => (
          <li key={tag} className="grid min-h-0 grid-cols-[12rem_minmax(0,1fr)] items-center gap-3">
            <span className="truncate leading-tight">
              <span className="bar-tag">{tag}</span> {name}
            </span>
            <BarDrawing drawing={drawing} label="" className="max-h-full min-h-0" marginMm={2} />
          </li>
        ))}
      </ul>
    </section>
  );
}
