"use client";

import { recognisedBy } from "@/core/bars/recognise";
import { drawBar } from "@/core/drawing/drawBar";
import { LIFT_GROUPS, LIFT_GROUP_WORDS, type LiftGroup } from "@/core/matching/liftGroups";
import type { WallAnswer } from "@/server/matching";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import Link from "../kit/Link";
import { BothMasses } from "./BothMasses";
import { IdleWall, type HungBar } from "./IdleWall";
import { LiftPictogram } from "./LiftPictogram";
import { Say } from "../kit/shown";
import { useReturn } from "./useReturn";

interface Props {
  hallName: string;
  lifts: readonly { key: string; name: string; group: LiftGroup }[];
  answer: WallAnswer | null;
  /** Seconds without a touch after which it goes back to the start. */
  returnAfter: number;
  /** The bars that hang here, shown while nobody asks. */
  bars?: readonly HungBar[];
  /** Seconds without a touch after which they are. */
  idleAfter?: number;
}

/** For whoever stands before the bars: touch a lift, see the bar. Readable from three metres; nothing about anybody. */
export function WallScreen({ hallName, lifts, answer, returnAfter, bars = [], idleAfter = 90 }: Props) {
  useReturn(answer !== null, returnAfter);
  return (
    <main className="flex min-h-screen flex-col px-[3vw] py-[3vh]">
      <KnurlPatterns />
      {answer ? <Answer answer={answer} /> : <Start hallName={hallName} lifts={lifts} />}
      {!answer && <IdleWall bars={bars} afterSeconds={idleAfter} />}
    </main>
  );
}

function Start({ hallName, lifts }: { hallName: string; lifts: Props["lifts"] }) {
  return (
    <>
      <header className="mb-[2vh] flex flex-wrap items-baseline justify-between gap-4">
        <h1 className="text-[clamp(1.6rem,3.6vw,3.2rem)]">What do you want to lift?</h1>
        <p className="flex flex-wrap items-baseline gap-x-6">
          <Link
            href="/wall/which"
            replace
            className="inline-flex min-h-11 items-center text-lg underline underline-offset-4"
          >
            Which bar is this?
          </Link>
          <Link
            href="/wall/chalk"
            replace
            className="inline-flex min-h-11 items-center text-lg underline underline-offset-4"
          >
            Chalk left on a bar
          </Link>
          <span className="text-quiet text-lg">{hallName}</span>
        </p>
      </header>
      <nav aria-label="Lifts" className="grid grow auto-rows-min gap-x-3 gap-y-4 sm:grid-cols-2 lg:grid-cols-5">
        {LIFT_GROUPS.map((group) => {
          const own = lifts.filter((lift) => lift.group === group);
          return (
            own.length > 0 && (
              <section key={group} aria-labelledby={`group-${group}`} className="grid content-start gap-2">
                <h2
                  id={`group-${group}`}
                  className="text-quiet flex items-center gap-2 text-[clamp(1rem,1.5vw,1.4rem)] font-semibold"
                >
                  <LiftPictogram group={group} className="text-base-content size-[clamp(2.2rem,4vw,3.6rem)]" />
                  {LIFT_GROUP_WORDS[group]}
                </h2>
                {own.map(({ key, name }) => (
                  <Link
                    key={key}
                    href={`/wall?lift=${key}`}
                    replace
                    className="sheet hover:border-primary flex min-h-[max(3rem,8.5vh)] items-center px-3 py-1 text-[clamp(1.05rem,1.6vw,1.5rem)] leading-tight font-semibold"
                  >
                    {name}
                  </Link>
                ))}
              </section>
            )
          );
        })}
      </nav>
    </>
  );
}

function Answer({ answer: { lift, take, leave } }: { answer: WallAnswer }) {
  const [first, ...others] = take;
  return (
    <>
      <header className="mb-[1vh] flex items-baseline justify-between gap-4">
        <h1 className="text-[clamp(1.4rem,2.6vw,2.4rem)]">{lift.name}</h1>
        <Link href="/wall" replace className="btn btn-outline btn-lg min-h-14">
          Another lift
        </Link>
      </header>
      {first ? (
        <section aria-label="Take this bar" className="sheet border-l-primary border-l-8 px-[2vw] py-[2vh]">
          <p className="text-[clamp(1rem,1.6vw,1.5rem)]">Take</p>
          <div className="flex flex-wrap items-baseline gap-x-[3vw] gap-y-2">
            <p className="text-[clamp(3rem,8vw,7rem)] leading-none font-bold tabular-nums">{first.bar.tag}</p>
            <div>
              <p className="text-[clamp(1.5rem,3.2vw,3rem)] leading-tight font-bold">{first.bar.name}</p>
              <p className="text-[clamp(1.1rem,2vw,1.9rem)]">{first.place ?? "ask where it hangs"}</p>
            </div>
            <dl className="ml-auto grid grid-cols-[auto_auto] items-baseline gap-x-4 text-[clamp(1.1rem,2vw,1.9rem)]">
              <dt className="text-quiet">weighs</dt>
              <dd className="text-right font-bold tabular-nums">
                {first.bar.quantities.mass ? <BothMasses kg={first.bar.quantities.mass.value} /> : "not known"}
              </dd>
              <dt className="text-quiet">carries at most</dt>
              <dd className="text-right font-bold tabular-nums">
                {first.ratedKg === null ? "not known: ask" : <BothMasses kg={Math.floor(first.ratedKg)} />}
              </dd>
            </dl>
          </div>
          <BarDrawing
            drawing={drawBar(first.bar)}
            label={`${first.bar.name} to scale`}
            className="my-[1.5vh] max-h-[18vh]"
          />
          <p className="text-[clamp(1rem,1.6vw,1.5rem)]">
            <Say text={first.because} />
          </p>
          <p className="text-quiet text-[clamp(1rem,1.6vw,1.5rem)]">
            Look for: <Say text={recognisedBy(first.bar).join(", ")} />.
          </p>
          {first.warning && (
            <p className="text-accent text-[clamp(1rem,1.6vw,1.5rem)] font-semibold">{first.warning}</p>
          )}
        </section>
      ) : (
        <section className="sheet px-[2vw] py-[2vh] text-[clamp(1.5rem,3vw,3rem)] font-bold">
          No bar here is for this lift.
        </section>
      )}
      <div className="mt-[2vh] grid gap-[2vh] md:grid-cols-2 md:gap-[2vw]">
        {others.length > 0 && (
          <section aria-label="Or">
            <h2 className="text-quiet text-[clamp(1rem,1.5vw,1.4rem)]">If it is gone</h2>
            <ul className="text-[clamp(1.1rem,1.9vw,1.8rem)]">
              {others.map(({ bar, place }) => (
                <li key={bar.tag}>
                  <strong className="tabular-nums">{bar.tag}</strong> {bar.name}
                  <span className="text-quiet"> {place}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        {leave.length > 0 && (
          <section aria-label="Not these" className="border-l-error border-l-8 pl-4">
            <h2 className="text-[clamp(1rem,1.5vw,1.4rem)] font-bold">Not these</h2>
            <ul className="text-[clamp(1rem,1.6vw,1.5rem)]">
              {leave.map(({ tag, name, because }) => (
                <li key={tag}>
                  <strong className="tabular-nums">{tag}</strong> {name}
                  <span className="text-quiet block text-[0.8em] leading-snug">
                    <Say text={because} />
                  </span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <p className="mt-auto pt-[2vh] text-[clamp(1.2rem,2.2vw,2rem)] font-bold">
        Clamps on, safeties set. Not sure? Ask the staff.
      </p>
    </>
  );
}
