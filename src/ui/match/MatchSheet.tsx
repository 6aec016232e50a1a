import type { Lift } from "@/core/matching/lifts";
import { trimmed } from "@/core/units/format";
import type { Matching } from "@/server/matching";
import { ChangeLink } from "../kit/ChangeLink";
import { KnurlPatterns } from "../kit/BarDrawing";
import { PageHead } from "../kit/PageHead";
import { href } from "../kit/search";
import Link from "../kit/Link";
import { isSetUp } from "../kit/isSetUp";
import { GuestForm } from "./GuestForm";
import { type Guest } from "./guest";
import { MatchNav } from "./MatchNav";
import { MatchRows } from "./MatchRow";
import { NeverRows, OfferedRows } from "./OtherRows";
import { type MatchAsked, MatchQuestion } from "./MatchQuestion";

interface Props extends MatchAsked {
  loadKg: number;
  matching: Matching | null;
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
      <MatchQuestion
        {...{ lifts, lifters, liftKey, lifterKey, loadText, unit, purpose, stations, stationKey, problem }}
      />
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
