import type { BarForm } from "@/core/bars/families";

/** How a bar runs between its sleeves, a few strokes for a small place. */
const PATHS: Record<BarForm, string> = {
  straight: "M2 8H46",
  yoke: "M2 10H14V6H34V10H46M20 6V13M28 6V13",
  cambered: "M2 13H10V4H38V13H46",
  bowed: "M2 11H12Q24 3 36 11H46",
  frame: "M2 8H12L18 3H30L36 8H46M12 8L18 13H30L36 8",
  "multi-grip": "M2 8H12V4H36V8H46M12 8V12H36V8M20 4V12M28 4V12",
  zigzag: "M2 8H12L18 5L24 10L30 5L36 8H46",
};

/** A bar's run as a sign of a few strokes, with its sleeves. */
export function FormGlyph({ form }: { form: BarForm }) {
  return (
    <svg viewBox="0 0 48 16" aria-hidden="true" className="block h-3.5 w-11">
      <path d={PATHS[form]} fill="none" stroke="currentColor" strokeWidth="1.6" strokeLinejoin="round" />
      <path
        d="M2 8H8M40 8H46"
        stroke="currentColor"
        strokeWidth="4"
        transform={
          form === "cambered"
            ? "translate(0 5)"
            : form === "yoke"
              ? "translate(0 2)"
              : form === "bowed"
                ? "translate(0 3)"
                : undefined
        }
      />
    </svg>
  );
}
