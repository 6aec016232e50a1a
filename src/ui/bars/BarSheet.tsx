import Link from "../kit/Link";
import { ratedTotalKg, type Bar } from "@/core/bars/bar";
import { gapToStated, spreadOf } from "@/core/bars/effectiveQuantity";
import { FAMILIES } from "@/core/bars/families";
import { flaggedGaps } from "@/core/bars/flaggedGaps";
import { endCapRemainderMm, LENGTH_IDENTITY_TOLERANCE_MM, seatSumMismatchMm, seatToSeatOf } from "@/core/bars/lengths";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { signed, trimmed } from "@/core/units/format";
import type { BarDetails } from "@/server/bars";
import type { DueItem, LogItem } from "@/server/care";
import { KnurlPatterns } from "../kit/BarDrawing";
import { dayText, dueText } from "../kit/dayText";
import type { FormAction } from "../kit/formState";
import { QuantityLegend, QuantityText } from "../kit/QuantityText";
import { StateText } from "../kit/StateText";
import { href } from "../kit/search";
import { MeasureForm, StateForm } from "./BarForms";
import { DimensionedBar } from "./DimensionedBar";

interface Props {
  details: BarDetails;
  care: DueItem[];
  log: LogItem[];
  today: string;
  may: { changeState: boolean; endQuarantine: boolean; measure: boolean };
  stateAction: FormAction;
  measureAction: FormAction;
}

/** One bar: drawing, numbers, state, where it hangs, care and history. */
export function BarSheet({ details, care, log, today, may, stateAction, measureAction }: Props) {
  const { bar, place, version } = details;
  const tag = encodeURIComponent(bar.tag);
  const canChangeState =
    may.changeState && bar.state !== "on-order" && (bar.state !== "quarantined" || may.endQuarantine);
  return (
    <>
      <KnurlPatterns />
      <header className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <span className="bar-tag text-lg!">{bar.tag}</span>
        <h1 className="text-2xl">{bar.name}</h1>
        <p className="text-quiet text-sm">
          {FAMILIES[bar.family].name}, for {FAMILIES[bar.family].madeFor}
        </p>
        <nav aria-label="With this bar" className="flex flex-wrap gap-2 sm:ml-auto">
          <Link href={href("/load", { bar: bar.tag })} className="btn btn-sm btn-neutral min-h-10">
            Load it
          </Link>
          <Link href={href("/compare", { bars: bar.tag })} className="btn btn-sm btn-outline min-h-10">
            Compare
          </Link>
          <Link href={href("/care", { bar: bar.tag })} className="btn btn-sm btn-outline min-h-10">
            Care
          </Link>
        </nav>
      </header>
      <Warnings bar={bar} />
      <section className="sheet mb-3 pt-3" aria-label="Drawing">
        <DimensionedBar bar={bar} />
      </section>
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
        <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3">
          <Numbers details={details} today={today} />
          <History details={details} today={today} />
        </div>
        <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3">
          <Facts details={details} place={place} />
          <CareOfBar care={care} log={log} today={today} tag={bar.tag} />
          {canChangeState && (
            <section id="state" className="sheet scroll-mt-4 p-4">
              <h2 className="mb-1 font-bold">State</h2>
              <p className="mb-3 text-sm">
                Now: <StateText state={bar.state} reason={bar.stateReason} />. A bent or cracked bar is out at once.
              </p>
              <StateForm key={version} tag={bar.tag} state={bar.state} version={version} action={stateAction} />
            </section>
          )}
          {may.measure && (
            <section id="measure" className="sheet scroll-mt-4 p-4">
              <h2 className="mb-3 font-bold">Measure</h2>
              <MeasureForm tag={bar.tag} kinds={measurableKinds(bar)} action={measureAction} />
            </section>
          )}
          {!canChangeState && bar.state === "quarantined" && (
            <p className="text-quiet text-sm">Only the manager returns {decodeURIComponent(tag)} to service.</p>
          )}
        </div>
      </div>
    </>
  );
}

/** Kinds that make sense on this bar: everything straight bars have, and what its form adds. */
function measurableKinds(bar: Bar): QuantityKind[] {
  const { form } = FAMILIES[bar.family];
  const own: Partial<Record<QuantityKind, boolean>> = {
    camberDrop: form === "yoke" || form === "cambered" || form === "bowed",
    camberForward: form === "yoke" || form === "cambered",
    yokeWidth: form === "yoke" || form === "cambered",
    handleLength: form === "yoke" || form === "frame",
    frameWidth: form === "frame" || form === "multi-grip",
    frameDepth: form === "frame" || form === "multi-grip",
    spinDown: bar.sleeveRotation !== "fixed",
  };
  return QUANTITY_KINDS.filter((kind) => own[kind] !== false);
}

function Warnings({ bar }: { bar: Bar }) {
  const gaps = flaggedGaps(bar).map(({ kind, gap }) => {
    const { label, unit, decimals } = QUANTITIES[kind];
    const change = kind === "mass" ? `: every load worked out from its label is off by that` : "";
    return `${label} is ${signed(gap, decimals)} ${unit} from what the seller says${change}`;
  });
  const mismatch = seatSumMismatchMm(bar);
  if (mismatch !== null)
    gaps.push(
      `seat to seat with the tape is ${signed(mismatch, 1)} mm from shaft + 2 collars: one of the three is wrong`,
    );
  const remainder = endCapRemainderMm(bar);
  if (remainder !== null && remainder < -LENGTH_IDENTITY_TOLERANCE_MM)
    gaps.push(`shaft, collars and sleeves add up to ${trimmed(-remainder, 0)} mm more than the overall length`);
  if (bar.state === "in-service" && gaps.length === 0) return null;
  return (
    <div className="sheet border-l-accent mb-3 border-l-4 px-4 py-2 text-sm">
      {bar.state !== "in-service" && (
        <p>
          <StateText state={bar.state} reason={bar.stateReason} />
        </p>
      )}
      {gaps.map((gap) => (
        <p key={gap}>
          <strong className="text-accent">Flagged.</strong> {gap.charAt(0).toUpperCase() + gap.slice(1)}.
        </p>
      ))}
    </div>
  );
}

function Numbers({ details: { bar, statedAsTyped, measurements }, today }: { details: BarDetails; today: string }) {
  const flagged = new Set(flaggedGaps(bar).map(({ kind }) => kind));
  const lastMeasured = new Map(measurements.toReversed().map((measurement) => [measurement.kind, measurement]));
  const seats = seatToSeatOf(bar);
  const rows = QUANTITY_KINDS.flatMap((kind) => {
    const quantity = kind === "seatToSeat" ? seats : (bar.quantities[kind] ?? null);
    return quantity ? [{ kind, quantity, gap: gapToStated(quantity) }] : [];
  });
  return (
    <section className="sheet" aria-labelledby="numbers">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3 px-4 pt-3">
        <h2 id="numbers" className="font-bold">
          Numbers
        </h2>
        <QuantityLegend />
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Numbers, table">
        <table className="mt-1 w-full text-sm">
          <thead className="text-quiet text-xs">
            <tr>
              <th scope="col" className="px-4 py-1 text-left font-normal">
                quantity
              </th>
              <th scope="col" className="px-2 py-1 text-right font-normal">
                counts
              </th>
              <th scope="col" className="px-2 py-1 text-right font-normal">
                stated
              </th>
              <th scope="col" className="px-2 py-1 text-right font-normal">
                gap
              </th>
              <th scope="col" className="px-4 py-1 text-left font-normal">
                last readings
              </th>
            </tr>
          </thead>
          <tbody className="divide-base-300 divide-y border-t border-base-300">
            {rows.map(({ kind, quantity, gap }) => {
              const { label, unit, decimals } = QUANTITIES[kind];
              const last = lastMeasured.get(kind);
              return (
                <tr key={kind}>
                  <th scope="row" className="px-4 py-1.5 text-left font-normal whitespace-nowrap">
                    {label}
                  </th>
                  <td className="px-2 text-right font-semibold whitespace-nowrap">
                    <QuantityText quantity={quantity} decimals={decimals} unit={unit} />
                  </td>
                  <td className="stated px-2 text-right whitespace-nowrap">{statedAsTyped[kind] ?? ""}</td>
                  <td
                    className={`px-2 text-right whitespace-nowrap ${flagged.has(kind) ? "text-accent font-bold" : "text-quiet"}`}
                  >
                    {gap === null ? "" : signed(gap, decimals)}
                    {flagged.has(kind) && <span className="sr-only"> flagged</span>}
                  </td>
                  <td className="text-quiet min-w-44 px-4 py-1 text-xs leading-snug">
                    {last && (
                      <>
                        <span className="block">
                          {last.typed}
                          {quantity.readings &&
                            quantity.readings.length > 1 &&
                            `, spread ${trimmed(spreadOf(quantity.readings), 2)}`}
                        </span>
                        {last.instrument}, {last.by}, {dayText(last.at.toISOString().slice(0, 10), today)}
                      </>
                    )}
                    {kind === "seatToSeat" && !last && "shaft + 2 collars"}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Facts({ details: { bar, row }, place }: { details: BarDetails; place: string | null }) {
  const rated = ratedTotalKg(bar);
  const basis = {
    total: "total on the bar",
    "plates-only": "plates only, the bar comes on top",
    unknown: "basis unknown, read as total",
  };
  const facts: [string, string | null][] = [
    ["hangs", place],
    ["may carry", rated === null ? "unknown: ask the seller" : `${trimmed(rated, 1)} kg in all`],
    [
      "rating",
      bar.rating ? `${trimmed(Number(row.ratingValue), 2)} ${row.ratingUnit}, ${basis[bar.rating.basis]}` : null,
    ],
    [
      "hard limit",
      row.hardLimitValue && `${trimmed(Number(row.hardLimitValue), 2)} ${row.hardLimitUnit}, whatever the rating says`,
    ],
    [
      "sleeves",
      [bar.sleeveRotation, row.areSleevesGrooved ? "grooved" : null, row.sleeveFinish?.replace("-", " ")]
        .filter(Boolean)
        .join(", "),
    ],
    [
      "shaft",
      [bar.finish?.replace("-", " "), bar.alloy?.replace("-", " "), bar.yieldMPa ? `yield ${bar.yieldMPa} MPa` : null]
        .filter(Boolean)
        .join(", "),
    ],
    [
      "knurl",
      [
        bar.knurl,
        bar.centreKnurl === "none" ? "smooth middle" : `${bar.centreKnurl} centre knurl`,
        bar.ringMarks === "none" ? null : `${bar.ringMarks} marks`,
      ]
        .filter(Boolean)
        .join(", "),
    ],
    [
      "bought",
      [row.boughtOn, row.supplier, row.batch && `batch ${row.batch}`, row.stock !== "new" ? row.stock : null]
        .filter(Boolean)
        .join(", "),
    ],
    ["note", row.note],
  ];
  return (
    <section className="sheet p-4" aria-labelledby="facts">
      <h2 id="facts" className="mb-2 font-bold">
        Facts
      </h2>
      <dl className="grid grid-cols-[5.5rem_1fr] gap-y-1 text-sm">
        {facts.map(
          ([name, value]) =>
            value && (
              <div key={name} className="contents">
                <dt className="text-quiet">{name}</dt>
                <dd>{value}</dd>
              </div>
            ),
        )}
      </dl>
      <p className="text-quiet mt-3 text-xs">
        Never over the rating or the seller’s limit. The maker’s instructions come first.
      </p>
    </section>
  );
}

function CareOfBar({ care, log, today, tag }: { care: DueItem[]; log: LogItem[]; today: string; tag: string }) {
  return (
    <section className="sheet p-4" aria-labelledby="care">
      <div className="mb-2 flex items-baseline justify-between">
        <h2 id="care" className="font-bold">
          Care
        </h2>
        <Link href={href("/care", { bar: tag })} className="link text-sm">
          tick off
        </Link>
      </div>
      {care.length === 0 && <p className="text-sm">Nothing is planned for this bar yet.</p>}
      <ul className="grid gap-1 text-sm">
        {care.map((item) => (
          <li key={item.task} className="flex justify-between gap-3">
            <span>{item.taskName}</span>
            <span className={`whitespace-nowrap ${item.overdueDays > 0 ? "text-accent font-bold" : "text-quiet"}`}>
              {dueText(item.dueOn, today)}
            </span>
          </li>
        ))}
      </ul>
      {log.length > 0 && (
        <ul className="text-quiet mt-3 grid gap-0.5 text-xs">
          {log.map((entry) => (
            <li key={entry.id} className={entry.isUndone ? "line-through" : undefined}>
              {dayText(entry.doneOn, today)}: {entry.taskName}, {entry.by}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function History({ details: { history }, today }: { details: BarDetails; today: string }) {
  return (
    <section className="sheet p-4" aria-labelledby="history">
      <h2 id="history" className="mb-2 font-bold">
        History
      </h2>
      <ul className="grid gap-1 text-sm">
        {history.map((change) => (
          <li key={change.id}>
            <span className="text-quiet">
              {dayText(change.at.toISOString().slice(0, 10), today)}, {change.by}:
            </span>{" "}
            {change.action}
            {sentenceOfChange(change.before, change.after)}
            {change.reason && `, ${change.reason}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What was and what is, as far as it can be said in a few words. */
function sentenceOfChange(before: unknown, after: unknown): string {
  const words = (value: unknown) => {
    if (typeof value !== "object" || value === null) return null;
    const { state, value: number } = value as { state?: string; value?: number };
    return state?.replace("-", " ") ?? (typeof number === "number" ? trimmed(number, 2) : null);
  };
  const [was, is] = [words(before), words(after)];
  if (is === null) return "";
  return was === null ? `: ${is}` : `: ${was} → ${is}`;
}
