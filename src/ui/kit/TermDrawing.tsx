import { TERMS, type TermKey } from "@/core/glossary/terms";
import { sampleBar } from "@/core/glossary/sampleBar";
import { drawBar } from "@/core/drawing/drawBar";
import { Shapes } from "./BarDrawing";

/** What a word of the trade means, shown on a bar. */
export function TermDrawing({ term }: { term: TermKey }) {
  const { word, drawing } = TERMS[term];
  if (typeof drawing === "string") return <Sketch of={drawing} label={word} />;
  const { family, from, to, mark } = drawing;
  const { shapes, extent } = drawBar(sampleBar(family), 2);
  const margin = 45;
  const [top, bottom] = [extent.top + margin, extent.bottom - margin];
  return (
    <svg
      viewBox={`${from} ${-top} ${to - from} ${top - bottom}`}
      role="img"
      aria-label={`${word}, marked on a bar`}
      className="drawn block max-h-28 w-full"
    >
      <Shapes shapes={shapes} />
      <rect
        x={mark[0]}
        y={-top + 8}
        width={mark[1] - mark[0]}
        height={top - bottom - 16}
        fill="var(--color-primary)"
        fillOpacity={0.18}
        stroke="var(--color-primary)"
        strokeWidth={(to - from) / 160}
      />
    </svg>
  );
}

/** What no single part shows: a bend, a turn, a rack. */
function Sketch({ of, label }: { of: "whip" | "runout" | "roll" | "j-cups"; label: string }) {
  const ink = "var(--color-base-content)";
  const accent = "var(--color-primary)";
  return (
    <svg viewBox="0 0 300 100" role="img" aria-label={label} className="block max-h-28 w-full" fill="none">
      {of === "whip" && (
        <>
          <path d="M20 62Q150 12 280 62" stroke={ink} strokeWidth={7} />
          <path d="M20 37H280" stroke={ink} strokeWidth={1.5} strokeDasharray="6 5" />
          <path d="M36 28V90M264 28V90" stroke={ink} strokeWidth={13} />
          <path d="M150 62V40M143 47l7-9 7 9" stroke={accent} strokeWidth={3} />
        </>
      )}
      {of === "runout" && (
        <>
          <path d="M20 56Q150 36 280 56" stroke={ink} strokeWidth={7} />
          <path d="M20 56Q150 76 280 56" stroke={ink} strokeWidth={2} strokeDasharray="6 5" />
          <path d="M8 56h24M268 56h24" stroke={ink} strokeWidth={13} />
          <path d="M150 44V70M144 50l6-8 6 8M144 64l6 8 6-8" stroke={accent} strokeWidth={3} />
        </>
      )}
      {of === "roll" && (
        <>
          <path d="M120 34L200 74" stroke={ink} strokeWidth={9} />
          <circle cx={120} cy={34} r={13} fill="var(--color-base-100)" stroke={ink} strokeWidth={5} />
          <circle cx={200} cy={74} r={20} fill={accent} fillOpacity={0.2} stroke={accent} strokeWidth={3} />
          <path d="M158 16a46 46 0 0 1 42 30M193 38l8 10 6-12" stroke={accent} strokeWidth={3} />
        </>
      )}
      {of === "j-cups" && (
        <>
          <path d="M60 4V96M240 4V96" stroke={ink} strokeWidth={14} />
          {[14, 30, 46, 62, 78].flatMap((y) =>
            [60, 240].map((x) => <circle key={`${x} ${y}`} cx={x} cy={y} r={3} fill="var(--color-base-100)" />),
          )}
          <path d="M67 46h26v-14M233 46h-26v-14" stroke={accent} strokeWidth={6} />
          <path d="M18 38H282" stroke={ink} strokeWidth={6} />
        </>
      )}
    </svg>
  );
}
