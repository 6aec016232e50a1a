import { type Bar, isUsable, ratedTotalKg } from "@/core/bars/bar";
import { FAMILIES, FAMILY_NOT_FOR } from "@/core/bars/families";
import { recognisedBy } from "@/core/bars/recognise";
import type { UsePart } from "@/core/use/useCards";
import { drawBar } from "@/core/drawing/drawBar";
import { BarDrawing } from "../kit/BarDrawing";
import Link from "../kit/Link";
import { Say } from "../kit/shown";
import { BothMasses } from "./BothMasses";
import { UseCardLines } from "./UseCardLines";

/** What somebody needs to know of a bar before they lift with it. */
export interface WallBarFacts {
  bar: Bar;
  /** Where it hangs or lies; null where nobody said. */
  place: string | null;
  /** What was found wrong with it and is not resolved. */
  findings: readonly string[];
  /** How it is used, as this gym says it. */
  use: readonly (readonly [UsePart, string])[];
}

/** The bar: what it weighs, what it is for and not for, the most it may carry, and where it hangs. */
export function FoundBar({ facts: { bar, place, findings, use } }: { facts: WallBarFacts }) {
  const rated = ratedTotalKg(bar);
  const family = FAMILIES[bar.family];
  const notFor = FAMILY_NOT_FOR[bar.family];
  const isFree = isUsable(bar.state);
  return (
    <section
      aria-label={`It is ${bar.tag}`}
      className={`sheet border-l-8 px-[2vw] py-[2vh] ${isFree ? "border-l-primary" : "border-l-error"}`}
    >
      {!isFree && (
        <p role="alert" className="text-error mb-2 text-[clamp(1.3rem,2.4vw,2rem)] font-bold">
          Do not lift with it: {bar.state.replace("-", " ")}
          {bar.stateReason ? `, ${bar.stateReason}` : ""}.
        </p>
      )}
      <div className="flex flex-wrap items-baseline gap-x-[3vw] gap-y-2">
        <p className="text-[clamp(3rem,8vw,6rem)] leading-none font-bold tabular-nums">{bar.tag}</p>
        <div>
          <p className="text-[clamp(1.4rem,2.8vw,2.6rem)] leading-tight font-bold">{bar.name}</p>
          <p className="text-[clamp(1rem,1.8vw,1.6rem)]">{family.name}</p>
        </div>
      </div>
      <BarDrawing drawing={drawBar(bar)} label={`${bar.name} to scale`} className="my-[1.5vh] max-h-[22vh]" />
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] items-baseline gap-x-5 gap-y-1 text-[clamp(1.05rem,1.8vw,1.6rem)]">
        <dt className="text-quiet">weighs</dt>
        <dd className="font-bold tabular-nums">
          {bar.quantities.mass ? <BothMasses kg={bar.quantities.mass.value} /> : "not known: ask"}
        </dd>
        <dt className="text-quiet">carries at most</dt>
        <dd className="font-bold tabular-nums">
          {rated === null ? "not known: ask" : <BothMasses kg={Math.floor(rated)} />}
        </dd>
        <dt className="text-quiet">made for</dt>
        <dd>{family.madeFor}</dd>
        {notFor && (
          <>
            <dt className="text-quiet">not for</dt>
            <dd>{notFor}</dd>
          </>
        )}
        <dt className="text-quiet">hangs at</dt>
        <dd>{place ?? "ask where"}</dd>
        <dt className="text-quiet">looks like</dt>
        <dd>
          <Say text={recognisedBy(bar).join(", ")} />
        </dd>
      </dl>
      {findings.map((text) => (
        <p key={text} className="text-accent mt-1 text-lg font-semibold">
          Not resolved: {text}
        </p>
      ))}
      {use.length > 0 && (
        <section aria-label="How to use it" className="border-base-300 mt-3 border-t pt-3">
          <h2 className="mb-2 text-xl font-bold">How to use it</h2>
          <UseCardLines bar={bar} lines={use} />
          <p className="text-quiet mt-2 text-sm">
            First time on this bar: light, safeties set, someone beside you. The maker’s instructions come first.
          </p>
        </section>
      )}
      <p className="mt-3 flex flex-wrap gap-2">
        <Link href={`/bars/${encodeURIComponent(bar.tag)}`} className="btn btn-outline min-h-12">
          Everything about {bar.tag}
        </Link>
        {isFree && (
          <Link href={`/load?bar=${encodeURIComponent(bar.tag)}`} className="btn btn-outline min-h-12">
            Load it
          </Link>
        )}
      </p>
    </section>
  );
}
