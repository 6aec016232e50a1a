import { plateLook } from "./plateLooks";
import { wordsOf } from "./plateWords";

/** How a plate looks, by its short name. */
export interface PlateFace {
  label: string;
  /** The mark alone, for where there is little room: "25 kg". */
  mark: string;
  colour: string | null;
  thicknessMm: number | null;
  diameterMm: number | null;
}
export type PlateFaces = Readonly<Record<string, PlateFace>>;

/** Drawn so when nobody measured them. */
export const DRAWN_THICKNESS_MM = 25;
export const DRAWN_DIAMETER_MM = 300;

/** The plates of one side as they stand, each as wide as it is thick and as high as it is large. */
export function Sleeve({ stack, faces }: { stack: readonly string[]; faces: PlateFaces }) {
  if (stack.length === 0) return <span className="text-quiet">empty</span>;
  return (
    <span
      className="flex items-center gap-0.5"
      aria-label={wordsOf(stack, (key) => faces[key]?.label ?? key)}
      role="img"
    >
      {stack.map((key, i) => {
        const face = faces[key];
        const look = plateLook(face?.colour ?? null);
        return (
          <span
            key={i}
            className="border-base-content/40 inline-flex items-center justify-center border px-1 text-[0.65rem] whitespace-nowrap leading-none font-bold"
            style={{
              background: look.fill,
              color: look.text,
              height: `${16 + (face?.diameterMm ?? DRAWN_DIAMETER_MM) / 28}px`,
              minWidth: `${12 + (face?.thicknessMm ?? DRAWN_THICKNESS_MM) / 4}px`,
            }}
          >
            {face?.mark ?? key}
          </span>
        );
      })}
    </span>
  );
}
