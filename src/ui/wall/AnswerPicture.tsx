import type { Bar } from "@/core/bars/bar";
import { valueOf } from "@/core/bars/bar";
import { seatToSeatOf } from "@/core/bars/lengths";
import { drawBar } from "@/core/drawing/drawBar";
import { seenBar, type Trait } from "@/core/telling/traits";
import { Shapes } from "../kit/BarDrawing";

interface Props {
  trait: Trait;
  /** A bar of which the answer is true. */
  bar: Bar;
}

/** A shaft's end, in mm, where nothing says how long it is. */
const USUAL_HALF_MM = 655;

/** The part of a bar that an answer is about, from a bar of this wall; the answer says it in words beside it. How a sleeve turns cannot be drawn. */
export function AnswerPicture({ trait, bar }: Props) {
  if (trait === "spin") return null;
  if (trait === "colour") return <Swatch colour={seenBar(bar).traits.colour as string} />;
  if (trait === "thickness") return <Section mm={valueOf(bar, "shaftDiameter") ?? 0} />;
  const half = (seatToSeatOf(bar)?.value ?? 2 * USUAL_HALF_MM) / 2;
  const [from, to] = {
    shape: [-1150, 1150],
    length: [-1150, 1150],
    collar: [half - 170, half + 60],
    knurlStop: [half - 330, half + 40],
    centreKnurl: [-190, 190],
    marks: [-620, 620],
  }[trait] as [number, number];
  const { shapes, extent } = drawBar(bar, trait === "shape" || trait === "length" ? undefined : 2);
  const margin = 12;
  const [top, bottom] = [extent.top + margin, extent.bottom - margin];
  return (
    <svg
      viewBox={`${from} ${-top} ${to - from} ${top - bottom}`}
      aria-hidden="true"
      className="drawn block h-[clamp(3rem,9vh,6rem)] w-full"
    >
      <Shapes shapes={shapes} />
    </svg>
  );
}

/** Steel as it looks; what is coated can have any colour, so it has stripes. */
const STEEL: Record<string, string> = {
  bright: "linear-gradient(#f4f6f7, #aeb6ba 45%, #dfe4e6)",
  grey: "linear-gradient(#8e9498, #63696d 45%, #7f868a)",
  black: "linear-gradient(#4a4d50, #1d1f21 45%, #3a3d40)",
  coated: "repeating-linear-gradient(110deg, #5a6f8c 0 14px, #8c5a5a 14px 28px, #6b8c5a 28px 42px)",
};

function Swatch({ colour }: { colour: string }) {
  return (
    <span aria-hidden="true" className="grid h-[clamp(3rem,9vh,6rem)] items-center">
      <span className="block h-5 w-full rounded-full" style={{ background: STEEL[colour] }} />
    </span>
  );
}

/** A shaft seen from its end: circles share one scale, so that thick looks thick. */
function Section({ mm }: { mm: number }) {
  return (
    <svg viewBox="-30 -30 60 60" aria-hidden="true" className="block h-[clamp(3rem,9vh,6rem)] w-full">
      <circle r={mm / 2} fill="var(--steel)" stroke="var(--steel-dark)" strokeWidth="1.5" />
    </svg>
  );
}
