import { fixed, trimmed } from "@/core/units/format";
import type { KnownBar, LifterLog } from "@/server/logbook";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import { BarTag } from "../kit/BarTag";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { BandChart } from "./LaterCharts";
import { Kg, Say, UnitName } from "../kit/shown";
import type { LogSheetProps } from "./logSheetProps";

const kg = (value: number) => trimmed(Math.round(value * 10) / 10, 1);

/** More points than this are more than a chart of this width can show. */
const MAX_POINTS = 120;

/** So many of a long row, evenly taken, the last always among them. */
function thinned<T>(points: readonly T[]): T[] {
  const step = Math.ceil(points.length / MAX_POINTS);
  return points.filter((_, i) => (points.length - 1 - i) % step === 0);
}

export function Strength({ log, lift, today }: LogSheetProps) {
  const { straight, bars, past, reversed } = log.strength!;
  const days = past.straight.map(({ on }) => on);
  const domain = [days[0]!, days.at(-1)! > today ? days.at(-1)! : today] as const;
  const special = bars.filter(({ isStraight }) => !isStraight);
  const tags = bars.filter(({ isStraight }) => isStraight);
  return (
    <section className="sheet px-4 py-3" aria-label="Strength">
      <h2 className="text-quiet text-sm">{lift.name}, single on a straight bar today</h2>
      <p className="text-3xl font-bold">
        <Kg value={straight.value} decimals={1} isBare />{" "}
        <span className="unit text-lg">
          <UnitName of="kg" />
        </span>{" "}
        <span className="text-quiet text-sm font-normal">
          <Say text={`nine times in ten from ${kg(straight.low)} to ${kg(straight.high)} kg`} />
        </span>
      </p>
      {past.straight.length > 2 && (
        <BandChart
          points={thinned(past.straight).map(({ on, kg: value, low, high }) => ({ on, value, low, high }))}
          unit=" kg"
          digits={0}
          domain={domain}
          label={`Single on a straight bar over time: ${kg(past.straight[0]!.kg)} kg at first, ${kg(straight.value)} kg now`}
        />
      )}
      <p className="text-quiet text-xs">
        An estimate from {log.sets.length} sets{tags.length > 0 && <> on {tags.map(({ tag }) => tag).join(", ")}</>}
        {special.length > 0 && " and on other bars"}. Not for a first attempt at a maximum.
      </p>
      {reversed.map((text) => (
        <p key={text} className="border-primary mt-2 border-l-4 pl-2 text-sm font-semibold">
          {text}
        </p>
      ))}
      {special.length > 0 && <h3 className="mt-4 font-bold">What each bar is worth</h3>}
      <ul className="divide-base-300 divide-y">
        {special.map((bar) => (
          <BarWorthRow
            key={JSON.stringify([bar.barId, bar.setting, bar.handsHelped])}
            bar={bar}
            log={log}
            domain={domain}
          />
        ))}
      </ul>
    </section>
  );
}

function BarWorthRow({ bar, log, domain }: { bar: KnownBar; log: LifterLog; domain: readonly [string, string] }) {
  const { tag, name, setting, handsHelped, worth, words } = bar;
  const key = JSON.stringify([bar.barId, bar.setting, bar.handsHelped]);
  const points = log.strength!.past.worths.get(key) ?? [];
  return (
    <li className="grid gap-x-4 py-2 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div>
        <p className="font-semibold">
          <BarTag tag={tag} /> {name}
          {(setting || handsHelped) && (
            <span className="text-quiet block text-sm font-normal">
              {[setting, handsHelped && "hands helped"].filter(Boolean).join(", ")}
            </span>
          )}
        </p>
        <p className="text-sm">
          {words.text} {worth.isLearning && <span className="badge badge-sm badge-outline align-middle">learning</span>}
        </p>
        <p className="text-quiet text-xs">
          between {fixed(worth.low, 2)} and {fixed(worth.high, 2)}, {worth.uses} {worth.uses === 1 ? "day" : "days"} on
          it
        </p>
        {words.hypothesis && <p className="border-accent mt-1 border-l-4 pl-2 text-sm">{words.hypothesis}</p>}
      </div>
      {points.length > 2 && (
        <BandChart
          points={thinned(points).map(({ on, ratio, low, high }) => ({ on, value: ratio, low, high }))}
          unit=""
          digits={2}
          domain={domain}
          line={1}
          label={`${tag} against the straight bar over time: ${fixed(points[0]!.ratio, 2)} at first, ${fixed(points.at(-1)!.ratio, 2)} now`}
        />
      )}
    </li>
  );
}

export function ExpectedPart({ lifter, lift, ask, bars, expected }: LogSheetProps) {
  const one = expected.find(({ tag }) => tag === ask.tag);
  const reps = Array.from({ length: 12 }, (_, i): [string, string] => [String(i + 1), String(i + 1)]);
  const left = Array.from({ length: 6 }, (_, i): [string, string] => [String(i), String(i)]);
  return (
    <section className="sheet px-4 py-3" aria-label="Load to start with">
      <h2 className="font-bold">Load to start with</h2>
      <AskForm
        action={`/lifters/${lifter.key}/log`}
        keep={{ lift: `${lift.key}${lift.variant && `~${lift.variant}`}` }}
        label="Load to start with"
        className="flex flex-wrap items-baseline gap-x-4 text-sm"
      >
        <AskChoice
          name="bar"
          word="bar"
          value={ask.tag}
          options={bars.map(({ tag, name }) => [tag, `${tag} ${name}`])}
        />
        <AskChoice name="reps" word="repetitions" value={String(ask.repetitions)} options={reps} />
        <AskChoice name="left" word="left in reserve" value={String(ask.reserve)} options={left} />
      </AskForm>
      {one && (
        <>
          <p className="text-2xl font-bold">
            <Kg value={one.onBarKg ?? one.loadKg} decimals={1} isBare />{" "}
            <span className="unit text-base">
              <UnitName of="kg" />
            </span>
          </p>
          <p className="text-quiet text-sm">
            <Say text={`Range for one set: ${kg(one.lowKg)} to ${kg(one.highKg)} kg`} />
            {one.onBarKg !== null && <Say text={`; ${kg(one.loadKg)} kg before rounding to plates`} />}
          </p>
          {one.isFirst && (
            <p className="border-accent border-l-4 pl-2 text-sm font-semibold">
              New to {lifter.name}: start at the low end, and see how it moves.
            </p>
          )}
          {!one.isFirst && one.isLearning && <p className="text-sm">Still new: no heaviest attempt on it yet.</p>}
          <p className="flex flex-wrap gap-2 pt-1">
            {(
              [
                ["Load it", href("/load", { bar: one.tag, target: `${kg(one.onBarKg ?? one.loadKg)}kg` })],
                [
                  "Match",
                  href("/match", {
                    lift: lift.key,
                    load: kg(one.onBarKg ?? one.loadKg),
                    unit: "kg",
                    lifter: lifter.key,
                  }),
                ],
                [
                  "Plan the session",
                  href("/load/session", {
                    bar: one.tag,
                    lift: lift.key,
                    who: `${lifter.name} ${kg(one.onBarKg ?? one.loadKg)}x${ask.repetitions}`,
                  }),
                ],
              ] as const
            ).map(([word, to]) => (
              <Link key={word} href={to} className="btn btn-sm btn-outline">
                {word}
              </Link>
            ))}
          </p>
        </>
      )}
      <p className="text-quiet pt-1 text-xs">An estimate; how they feel today decides.</p>
    </section>
  );
}
