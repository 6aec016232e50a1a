"use client";

import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { PlateFaces } from "./Sleeve";
import { changedHref, intend, latestParams } from "../kit/intent";

interface Props {
  /** Kinds that may be tapped, the heaviest first: what is written on them. */
  plates: readonly { key: string; words: string }[];
  faces: PlateFaces;
  left: readonly string[];
  right: readonly string[] | null;
  wordsOf: Readonly<Record<string, string>>;
}

/**
 * A bar as it stands, tapped plate by plate from the collar out, beside a picture of it where somebody took one: what
 * hangs there need not be typed. The picture stays in this browser.
 */
export function StackTapper({ plates, faces, left, right, wordsOf }: Props) {
  const router = useRouter();
  const [src, setSrc] = useState<string | null>(null);
  const [side, setSide] = useState<"both" | "left" | "right">("both");
  // What was tapped and is on its way; the answer takes its place.
  const [ahead, setAhead] = useState<{ base: string; left: string[]; right: string[] | null } | null>(null);
  const known = `${left.join()}|${right?.join() ?? ""}`;
  const stacks = ahead?.base === known ? ahead : { left: [...left], right: right ? [...right] : null };
  useEffect(() => () => void (src && URL.revokeObjectURL(src)), [src]);
  const show = (next: { left: string[]; right: string[] | null }) => {
    setAhead({ base: known, ...next });
    const words = (keys: readonly string[]) => keys.map((key) => wordsOf[key]).join(", ");
    const address = changedHref("/load", latestParams(), {
      stack: words(next.left) || null,
      other: next.right ? words(next.right) || null : null,
    });
    intend(address);
    router.replace(address, { scroll: false });
  };
  const changed = (change: (stack: string[]) => string[]) =>
    show({
      left: side === "right" ? stacks.left : change(stacks.left),
      right:
        side === "both"
          ? stacks.right && change(stacks.right)
          : side === "right"
            ? change(stacks.right ?? [...stacks.left])
            : (stacks.right ?? [...stacks.left]),
    });
  return (
    <div className="mt-2 grid gap-2">
      <label className="btn btn-outline justify-self-start">
        {src ? "Another picture" : "Take a picture of it"}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          className="sr-only"
          onChange={({ target }) => {
            const file = target.files?.[0];
            if (file) setSrc(URL.createObjectURL(file));
          }}
        />
      </label>
      {src && (
        // A picture of this browser's own: nothing to optimise, and it goes nowhere.
        // eslint-disable-next-line @next/next/no-img-element
        <img src={src} alt="The bar as it stands" className="max-h-80 w-full object-contain" />
      )}
      <div role="group" aria-label="Which side is tapped" className="join">
        {(["both", "left", "right"] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={side === one}
            className={`btn btn-sm join-item ${side === one ? "btn-neutral" : "btn-outline"}`}
            onClick={() => setSide(one)}
          >
            {one === "both" ? "both sides" : `${one} side`}
          </button>
        ))}
      </div>
      <div role="group" aria-label="Tap plates from the collar out" className="flex flex-wrap gap-2">
        {plates.map(({ key, words }) => (
          <button
            key={key}
            type="button"
            className="btn btn-outline min-h-12 flex-col gap-0"
            onClick={() => changed((stack) => [...stack, key])}
          >
            <span
              aria-hidden
              className="border-base-content/40 h-2 w-10 border"
              style={{ background: faces[key]?.colour ?? undefined }}
            />
            {words}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-ghost min-h-12"
          disabled={stacks.left.length === 0 && !stacks.right?.length}
          onClick={() => changed((stack) => stack.slice(0, -1))}
        >
          Remove the outermost
        </button>
      </div>
    </div>
  );
}
