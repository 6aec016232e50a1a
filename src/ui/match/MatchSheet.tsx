import { PURPOSES, PURPOSE_WORDS, type Purpose } from "@/core/matching/lifter";
import type { Lift } from "@/core/matching/lifts";
import { trimmed } from "@/core/units/format";
import type { Matching } from "@/server/matching";
import { AskForm } from "../kit/AskForm";
import { ChangeLink } from "../kit/ChangeLink";
import { KnurlPatterns } from "../kit/BarDrawing";
import { Options } from "../kit/Options";
import { PageHead } from "../kit/PageHead";
import { href } from "../kit/search";
import Link from "../kit/Link";
import { isSetUp } from "../kit/isSetUp";
import { GuestForm } from "./GuestForm";
import { type Guest, GUEST } from "./guest";
import { MatchNav } from "./MatchNav";
import { MatchRows } from "./MatchRow";
import { NeverRows, OfferedRows } from "./OtherRows";

interface Props {
  lifts: readonly Lift[];
  lifters: readonly { key: string; name: string; squad: string | null }[];
  liftKey: string;
  lifterKey: string;
  loadText: string;
  unit: "kg" | "lb";
  loadKg: number;
  purpose: Purpose;
  stations: readonly { key: string; name: string }[];
  stationKey: string;
  matching: Matching | null;
  problem: string | null;
  comfort: { comfortNote: string | null; coachNote: string | null } | null;
  /** What is said of somebody who is not on file; null where it is asked for a lifter or for anyone. */
  guest: Guest | null;
  /** Lifts that are one touch away. */
  quickLifts: readonly Lift[];
  /** So many bars that fit are shown, and of those that never do. */
  shown: number;
  /** Where so many are shown. */
  moreHref: (count: number) => string;
}

/** Which bar for a lift, a load and perhaps a lifter: ranked, each with its because. */
export function MatchSheet({
  lifts,
  lifters,
  liftKey,
  lifterKey,
  loadText,
  unit,
  loadKg,
  purpose,
  stations,
  stationKey,
  matching,
  problem,
  comfort,
  guest,
  quickLifts,
  shown,
  moreHref,
}: Props) {
  const top = (matching?.items ?? []).filter(({ verdict }) => verdict !== "never").slice(0, 3);
  const fit = matching?.items.filter(({ verdict }) => verdict !== "never") ?? [];
  const never = matching?.items.filter(({ verdict }) => verdict === "never") ?? [];
  return (
    <>
      <KnurlPatterns />
      <PageHead title="Match" about="the right bar for a lift, a load and a lifter">
        <MatchNav
          here="/match"
          balance={{
            lifter: lifterKey || undefined,
            load: loadKg > 0 ? trimmed(loadKg, 1) : undefined,
            bar: top[0]?.tag,
            lift: liftKey,
          }}
        />
      </PageHead>
      <AskForm
        action="/match"
        keepMass="load"
        label="For which lift"
        className="sheet mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-1.5"
      >
        <label className="ask">
          lift
          <select name="lift" defaultValue={liftKey} key={liftKey}>
            <Options of={lifts.map(({ key, name }) => [key, name])} />
          </select>
        </label>
        <span className="ask">
          <label htmlFor="load">load</label>
          <input
            id="load"
            name="load"
            defaultValue={loadText}
            key={loadText}
            inputMode="decimal"
            aria-invalid={problem !== null}
            aria-describedby={problem ? "load-problem" : undefined}
          />
          <select name="unit" defaultValue={unit} aria-label="Unit">
            <option>kg</option>
            <option>lb</option>
          </select>
          in all
        </span>
        <label className="ask">
          for
          <select name="lifter" defaultValue={lifterKey} key={lifterKey}>
            <Options
              of={[
                ["", "anyone"],
                [GUEST, "someone not on file"],
                ...lifters.map(({ key, name, squad }) => [key, squad ? `${name}, ${squad}` : name] as const),
              ]}
            />
          </select>
        </label>
        <label className="ask">
          a set for
          <select name="purpose" defaultValue={purpose} key={purpose}>
            <Options of={PURPOSES.map((key) => [key, PURPOSE_WORDS[key]])} />
          </select>
        </label>
        <label className="ask">
          at
          <select name="at" defaultValue={stationKey} key={stationKey}>
            <Options of={[["", "any station"], ...stations.map(({ key, name }) => [key, name] as const)]} />
          </select>
        </label>
        {problem && (
          <p id="load-problem" role="alert" className="text-error text-sm">
            {problem}
          </p>
        )}
      </AskForm>
      {guest && <GuestForm guest={guest} />}
      <nav aria-label="Other lifts" className="mb-3 flex gap-1.5 overflow-x-auto">
        {quickLifts.map(({ key, name }) => (
          <ChangeLink
            key={key}
            href={href("/match", { lift: key, lifter: lifterKey })}
            change={{ lift: key, load: null, shown: null }}
            className={`btn btn-sm shrink-0 font-normal ${key === liftKey ? "btn-neutral" : "btn-outline"}`}
          >
            {name}
          </ChangeLink>
        ))}
      </nav>
      {comfort && (comfort.comfortNote || comfort.coachNote) && (
        <p className="mb-3 text-sm">
          {comfort.comfortNote && <>They say: “{comfort.comfortNote}” </>}
          {comfort.coachNote && <>Coach: “{comfort.coachNote}” </>}
          <span className="text-quiet">Pain or injury: ask a doctor or physiotherapist.</span>
        </p>
      )}
      {matching && (
        <>
          {top.length > 1 && (
            <p className="mb-2 flex flex-wrap items-center justify-between gap-x-4">
              <span className="text-quiet text-sm">
                {matching.counts.fit} {matching.counts.fit === 1 ? "bar" : "bars"} can be used, best first.
              </span>
              <Link
                href={href("/compare", {
                  bars: top.map(({ tag }) => tag).join(","),
                  lift: liftKey,
                  load: loadKg > 0 ? `${loadText}${unit}` : undefined,
                })}
                className="btn btn-sm btn-outline"
              >
                Compare the top {top.length === 2 ? "two" : "three"}
              </Link>
            </p>
          )}
          <ol className="sheet divide-base-300 divide-y" aria-label="Bars, best first">
            <MatchRows
              rows={fit.map((item) => ({
                item,
                setupHref: isSetUp(item.bar.family)
                  ? href(`/setups/${encodeURIComponent(item.tag)}`, {
                      lifter: lifterKey,
                      lift: liftKey,
                      load: loadKg > 0 ? `${loadText}${unit}` : undefined,
                      at: stationKey,
                    })
                  : null,
              }))}
              loadKg={loadKg}
              loadText={loadText}
              unit={unit}
            />
            {fit.length === 0 && <li className="p-4">No bar here can be used for this. The reasons are below.</li>}
          </ol>
          {matching.counts.fit > shown && (
            <p className="text-quiet mt-2 text-sm">
              The best {shown} of {matching.counts.fit} bars.{" "}
              <Link href={moreHref(2 * shown)} className="link inline-flex min-h-11 items-center" scroll={false}>
                Show more
              </Link>
            </p>
          )}
          {matching.offered.length > 0 && <OfferedRows offered={matching.offered} />}
          {never.length > 0 && (
            <NeverRows
              rows={never.map(({ tag, bar, verdict, reasons }) => ({
                tag,
                name: bar.name,
                verdict,
                because: reasons
                  .filter(({ atBest }) => atBest === "never")
                  .map(({ text }) => text)
                  .join(" "),
              }))}
              count={matching.counts.never}
              isOpen={fit.length === 0}
            />
          )}
        </>
      )}
    </>
  );
}
