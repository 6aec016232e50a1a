import type { Bar } from "@/core/bars/bar";
import { signed, trimmed } from "@/core/units/format";
import type { SessionRun } from "@/server/sessionPlanning";
import { KnurlPatterns } from "../kit/BarDrawing";
import { ChangeLink } from "../kit/ChangeLink";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { LoadedHalf } from "./LoadedHalf";
import { plateLabel, stackWords } from "./plateWords";
import { changesText, type RunState } from "./runState";
import { Sleeve } from "./SessionSheet";
import { TippingNote } from "./TippingNote";

interface Props {
  bar: Bar;
  clampWidthMm: number | null;
  stationName: string | null;
  state: RunState;
  run: SessionRun;
  search: Record<string, string | undefined>;
  planHref: string;
}

const ADDRESS = "/load/session/run";

/** The plan on the floor: the next change fills the screen, the rest is a strip. Its place is kept in the address. */
export function RunSheet({ bar, clampWidthMm, stationName, state, run, search, planHref }: Props) {
  const { sets, plates } = run;
  const at = Math.min(state.done, sets.length);
  const set = sets[at];
  const next = sets[at + 1];
  const to = (change: Record<string, string | undefined>) => href(ADDRESS, { ...search, ...change });
  const changed = (kg: number | null) =>
    changesText([...state.changes.filter(({ done }) => done <= at), { done: at, id: set!.id, kg }]);
  if (!set)
    return (
      <section className="sheet grid gap-4 p-6" aria-label="Done">
        <h1 className="text-3xl">All {sets.length} sets are done.</h1>
        <p className="text-lg">
          Empty the bar, one off each side in turn:{" "}
          {stackWords([...(sets.at(-1)?.perSide ?? [])].reverse(), plates) || "it is empty"}.
        </p>
        <div className="flex flex-wrap gap-2">
          <ChangeLink
            href={to({ i: String(sets.length - 1) })}
            change={{ i: String(sets.length - 1) }}
            className="btn btn-outline min-h-14"
          >
            Back
          </ChangeLink>
          <Link href={planHref} className="btn btn-neutral min-h-14">
            The plan
          </Link>
        </div>
      </section>
    );
  const off = stackWords(set.off, plates);
  const on = stackWords(set.on, plates);
  return (
    <div className="grid gap-3">
      <KnurlPatterns />
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="text-xl">
          <span className="bar-tag">{bar.tag}</span> set {at + 1} of {sets.length}
          {stationName && <span className="text-quiet text-sm font-normal"> at {stationName}</span>}
        </h1>
        <Link href={planHref} className="inline-flex min-h-11 items-center text-sm hover:underline">
          The plan
        </Link>
      </header>
      <div className="grid gap-3 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
        <section className="sheet grid content-start gap-3 p-4" aria-label="Now" aria-live="polite">
          <p className="flex flex-wrap items-baseline justify-between gap-x-4">
            <strong className="text-3xl">{set.lifter}</strong>
            <span className="text-5xl font-bold" style={{ fontStretch: "85%" }}>
              {trimmed(set.achievedKg, 2)}
              <span className="unit text-2xl">kg</span>
            </span>
          </p>
          {Math.abs(set.errorKg) >= 0.005 && (
            <p className="text-accent text-sm">{signed(set.errorKg, 2)} kg from what was asked.</p>
          )}
          <dl className="grid gap-2 text-2xl leading-tight">
            <div className={off ? "border-error border-l-8 pl-3" : "border-base-300 text-quiet border-l-8 pl-3"}>
              <dt className="text-quiet text-sm">take off each side, outside first</dt>
              <dd className="font-bold">{off || "nothing"}</dd>
            </div>
            <div className={on ? "border-primary border-l-8 pl-3" : "border-base-300 text-quiet border-l-8 pl-3"}>
              <dt className="text-quiet text-sm">put on each side, inside first</dt>
              <dd className="font-bold">{on || "nothing"}</dd>
            </div>
          </dl>
          {set.tipping && stationName && set.perSide.length > 0 && (
            <TippingNote tipping={set.tipping} at={stationName} plates={set.perSide.length} />
          )}
          <div className="grid grid-cols-[2fr_1fr_1fr] gap-2">
            <ChangeLink
              href={to({ i: String(at + 1) })}
              change={{ i: String(at + 1) }}
              className="btn btn-neutral min-h-16 text-xl"
            >
              Done
            </ChangeLink>
            <ChangeLink
              href={to({ x: changed(null) })}
              change={{ x: changed(null) }}
              className="btn btn-outline min-h-16"
            >
              Skip
            </ChangeLink>
            {at > 0 ? (
              <ChangeLink
                href={to({ i: String(at - 1) })}
                change={{ i: String(at - 1) }}
                className="btn btn-outline min-h-16"
              >
                Back
              </ChangeLink>
            ) : (
              <span />
            )}
          </div>
          <div role="group" aria-label="Changed load" className="flex flex-wrap items-center gap-2 text-sm">
            <span>Another load for this set:</span>
            {[-10, -5, 5, 10].map((by) => {
              const kg = Number(trimmed(set.targetKg + by, 3));
              return kg > 0 ? (
                <ChangeLink
                  key={by}
                  href={to({ x: changed(kg) })}
                  change={{ x: changed(kg) }}
                  className="btn btn-outline min-h-12"
                  label={`${Math.abs(by)} kg ${by < 0 ? "less" : "more"}`}
                >
                  {by < 0 ? "−" : "+"}
                  {Math.abs(by)}
                </ChangeLink>
              ) : null;
            })}
          </div>
          {state.changes.length > 0 && (
            <p className="text-quiet text-xs">
              {state.changes.length} {state.changes.length === 1 ? "change" : "changes"} so far; what was done stayed,
              the rest was planned anew from what was on the bar.
            </p>
          )}
        </section>
        <section className="sheet p-3" aria-label="The loaded bar">
          <LoadedHalf
            bar={bar}
            plates={set.perSide.map((key) => {
              const row = plates.get(key)!;
              return {
                label: plateLabel(row),
                thicknessMm: row.thicknessMm ?? 25,
                diameterMm: row.diameterMm ?? 300,
                colour: row.colour,
              };
            })}
            clampWidthMm={clampWidthMm}
            label={`Right half with ${stackWords(set.perSide, plates) || "no plates"}`}
          />
          <p className="text-quiet text-xs">
            Right half, to scale. Clamps on, both sides alike, safeties set; a spotter for heavy racked lifts.
          </p>
        </section>
      </div>
      <section className="sheet px-4 py-2" aria-label="Next">
        <h2 className="text-quiet text-sm">then</h2>
        <ol className="divide-base-300 divide-y text-sm">
          {sets.slice(at + 1, at + 5).map((one) => (
            <li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
              <span className="w-28 font-semibold">{one.lifter}</span>
              <span className="w-20 text-right font-bold">
                {trimmed(one.achievedKg, 2)}
                <span className="unit">kg</span>
              </span>
              <Sleeve set={one} plates={plates} />
            </li>
          ))}
          {!next && <li className="text-quiet py-1">This is the last set.</li>}
        </ol>
      </section>
    </div>
  );
}
