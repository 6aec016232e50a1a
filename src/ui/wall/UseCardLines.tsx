import { Ban } from "lucide-react";
import type { Bar } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { SHOWN_LIFTER, stepFigure } from "@/core/use/stepPicture";
import { USE_PART_WORDS, type UsePart } from "@/core/use/useCards";
import { figureTopMm, FigureDrawing } from "../balance/FigureDrawing";
import { BarDrawing } from "../kit/BarDrawing";

interface Props {
  bar: Bar;
  lines: readonly (readonly [UsePart, string])[];
}

/** Parts that the hands or the eyes find on the bar itself. */
const ON_THE_BAR: readonly UsePart[] = ["hands", "surprises"];

/** How a bar is used, a line and a picture a step: the model's figure under the bar, or the bar itself. */
export function UseCardLines({ bar, lines }: Props) {
  return (
    <ol className="grid gap-x-6 gap-y-2 md:grid-cols-2">
      {lines.map(([part, text]) => (
        <li key={part} className="grid min-h-20 grid-cols-[7.5rem_minmax(0,1fr)] items-center gap-x-3">
          <StepPicture bar={bar} part={part} />
          <p className="leading-snug">
            <strong className={`block text-sm ${part === "notWhen" ? "text-error" : "text-quiet"}`}>
              {USE_PART_WORDS[part]}
            </strong>
            <span className={part === "notWhen" ? "font-semibold" : ""}>{text}</span>
          </p>
        </li>
      ))}
    </ol>
  );
}

function StepPicture({ bar, part }: { bar: Bar; part: UsePart }) {
  const step = stepFigure(bar, part);
  if (step)
    return (
      <FigureDrawing
        figure={step.figure}
        label={`${USE_PART_WORDS[part]}: from the side`}
        loadKg={1}
        ink="var(--color-primary)"
        isHanging={step.isHanging}
        topMm={Math.max(1950, figureTopMm(step.figure))}
        arms={{ carry: step.carry, heightMm: SHOWN_LIFTER.heightMm }}
        className="h-28 w-full"
        isPlain
      />
    );
  if (part === "notWhen") return <Ban aria-hidden="true" className="text-error mx-auto size-9" />;
  if (!ON_THE_BAR.includes(part)) return <span aria-hidden="true" className="bg-base-300 mx-auto h-12 w-1 rounded" />;
  return <BarDrawing drawing={drawBar(bar)} label={`${bar.name}, drawn to scale`} className="max-h-24" />;
}
