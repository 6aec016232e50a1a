"use client";

import { everyDaysIn, rustStep, type CareSpan } from "@/core/care/careAndCondition";
import { RUST_GRADES, type InspectionLimits } from "@/core/care/inspection";
import { groupBy } from "@/core/collections/groupBy";
import { fixed } from "@/core/units/format";
import type { BarCondition } from "@/server/care/records";
import { drawnLater } from "../kit/fetched";
import { useShown } from "../kit/shown";
import type { TimeDomain } from "./conditionLines";

const RunoutLine = drawnLater(async () => (await import("./conditionLines")).RunoutLine, "h-full");
const RustSteps = drawnLater(async () => (await import("./conditionLines")).RustSteps, "h-full");
const CareMarks = drawnLater(async () => (await import("./conditionLines")).CareMarks, "h-full");

interface Props {
  tag: string;
  condition: BarCondition;
  limits: InspectionLimits;
  today: string;
}

const at = (day: string) => Date.parse(`${day}T12:00:00Z`);
const DAY_MS = 86_400_000;

/** One bar's care against its condition: runout and rust as they were found, and under them every time it was cared for. */
export function ConditionChart({ tag, condition: { care, looks, spans }, limits, today }: Props) {
  const { day, mm, say } = useShown();
  const turns = looks.flatMap(({ on, tirMm }) => (tirMm === null ? [] : [{ on, x: at(on), tirMm }]));
  const rust = looks.flatMap(({ on, rust }) => (rust === null ? [] : [{ on, x: at(on), grade: rustStep(rust) }]));
  const lanes = [...groupBy(care, ({ taskName }) => taskName)]
    .map(([name, times]) => ({ name, moments: times.map(({ on }) => at(on)) }))
    .sort((a, b) => b.moments.length - a.moments.length);
  const first = [...looks.map(({ on }) => on), ...care.map(({ on }) => on)].sort()[0] ?? today;
  const domain: TimeDomain = [at(first) - DAY_MS, at(today) + DAY_MS];
  const runoutSaid = turns.map(({ on, tirMm }) => `${day(on)} runout ${mm(tirMm, 1)}`).join(", ");
  const rustSaid = rust.map(({ on, grade }) => `${day(on)} rust ${RUST_GRADES[grade]![0]}`).join(", ");
  const lanesHeight = 40 + 26 * lanes.length;
  return (
    <div className="grid gap-2">
      {looks.length > 0 && (
        <div className="grid gap-3 sm:grid-cols-2">
          <Picture title="Runout; watch and quarantine dashed" label={`Runout of ${tag} over time: ${runoutSaid}`}>
            <RunoutLine turns={turns} limits={limits} domain={domain} />
          </Picture>
          <Picture title="Rust" label={`Rust of ${tag} over time: ${rustSaid}`}>
            <RustSteps rust={rust} domain={domain} />
          </Picture>
        </div>
      )}
      {lanes.length > 0 && (
        <Picture
          title="Every time it was cared for"
          label={`Care of ${tag}: ${lanes.map(({ name, moments }) => `${name} ${moments.length} times`).join(", ")}`}
          height={lanesHeight}
        >
          <CareMarks lanes={lanes} domain={domain} height={lanesHeight} />
        </Picture>
      )}
      {spans.length > 0 && (
        <ul className="text-sm">
          {spans.map((span) => (
            <li key={span.from}>{say(spanWords(span))}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

function Picture({
  title,
  label,
  height = 170,
  children,
}: {
  title: string;
  label: string;
  height?: number;
  children: React.ReactNode;
}) {
  return (
    <figure role="img" aria-label={label} className="min-w-0">
      <figcaption className="text-quiet text-xs">{title}</figcaption>
      <div className="overflow-hidden" style={{ height }}>
        {children}
      </div>
    </figure>
  );
}

function spanWords(span: CareSpan): string {
  const every = everyDaysIn(span);
  const care = every === null ? "not brushed once" : `brushed ${span.times}×, every ${fixed(every, 0)} days`;
  const rust =
    span.before === span.after
      ? `rust stayed at “${span.after}”`
      : `rust went from “${span.before}” to “${span.after}”`;
  return `${span.from} to ${span.to}: ${care}; ${rust}.`;
}
