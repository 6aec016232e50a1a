import type { ReactNode } from "react";
import { ruleBooksFor } from "@/core/bars/conformity";
import { FAMILIES, FAMILY_ALSO_CALLED } from "@/core/bars/families";
import type { Tolerances } from "@/core/bars/tolerances";
import type { BarDetails } from "@/server/bars";
import type { LogItem } from "@/server/care/log";
import type { DueItem } from "@/server/care/due";
import { Fold } from "../kit/Fold";
import { KnurlPatterns } from "../kit/BarDrawing";
import type { FormAction } from "../kit/formState";
import { isSetUp } from "../kit/isSetUp";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { StateText } from "../kit/StateText";
import { CareOfBar, Facts } from "./BarFacts";
import { StateForm } from "./BarForms";
import { BarHistory } from "./BarHistory";
import { BarNumbers } from "./BarNumbers";
import { BarRules } from "./BarRules";
import { BarWarnings } from "./BarWarnings";
import { KeyNumbers } from "./KeyNumbers";
import { DrawingSheet } from "./DrawingSheet";

interface Props {
  /** What was found wrong and is not resolved. */
  findings: ReactNode;
  /** Wear and finds along the shaft. */
  strip: ReactNode;
  /** What people say of it. */
  feel: ReactNode;
  /** How it is used, and where that is changed by those who may. */
  use: ReactNode;
  details: BarDetails;
  care: DueItem[];
  log: LogItem[];
  today: string;
  tolerances: Tolerances;
  /** Mass of the clamps that the hall would use at a meeting, in kg a pair. */
  clampPairKg: number;
  may: { changeState: boolean; endQuarantine: boolean; measure: boolean; edit: boolean };
  stateAction: FormAction;
  undoAction: FormAction;
}

/** One bar: its drawing, what matters most of it, what is wrong, state and care; the rest on touch. */
export function BarSheet({
  findings,
  strip,
  feel,
  use,
  details,
  care,
  log,
  today,
  tolerances,
  clampPairKg,
  may,
  stateAction,
  undoAction,
}: Props) {
  const { bar, version } = details;
  const address = `/bars/${encodeURIComponent(bar.tag)}`;
  const canChangeState =
    may.changeState && bar.state !== "retired" && (bar.state !== "quarantined" || may.endQuarantine);
  const more: [to: string, word: string][] = [
    [`${address}/inspect`, "Inspect"],
    [`${address}/incident`, "Report incident"],
    ...(may.edit && bar.state !== "retired" ? [[`${address}/edit`, "Edit"] as [string, string]] : []),
    ...(may.edit ? [[href("/bars/new", { like: bar.tag }), "Copy"] as [string, string]] : []),
  ];
  const [also] = FAMILY_ALSO_CALLED[bar.family] ?? [];
  return (
    <>
      <KnurlPatterns />
      <header className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <span className="bar-tag text-lg!">{bar.tag}</span>
        <h1 className="text-2xl">{bar.name}</h1>
        <p className="text-quiet text-sm">
          {FAMILIES[bar.family].name}
          {also && ` (${also})`}, for {FAMILIES[bar.family].madeFor}
        </p>
        <nav aria-label="With this bar" className="no-print flex flex-wrap gap-2 lg:ml-auto">
          <Link href={href("/load", { bar: bar.tag })} className="btn btn-sm btn-neutral">
            Load
          </Link>
          {bar.state !== "retired" && isSetUp(bar.family) && (
            <Link href={`/setups/${encodeURIComponent(bar.tag)}`} className="btn btn-sm btn-outline">
              Set up
            </Link>
          )}
          {may.measure && bar.state !== "retired" && (
            <Link href={href("/bars/measure", { bars: bar.tag })} className="btn btn-sm btn-outline">
              Measure
            </Link>
          )}
          <Link href={href("/compare", { bars: bar.tag })} className="btn btn-sm btn-outline">
            Compare
          </Link>
          <Link href={href("/care", { bar: bar.tag })} className="btn btn-sm btn-outline">
            Care
          </Link>
          <details className="dropdown dropdown-end">
            <summary className="btn btn-sm btn-outline">More</summary>
            <ul className="menu dropdown-content bg-base-100 border-base-300 z-20 mt-1 w-40 border shadow-lg">
              {more.map(([to, word]) => (
                <li key={word}>
                  <Link href={to} className="min-h-11">
                    {word}
                  </Link>
                </li>
              ))}
            </ul>
          </details>
        </nav>
      </header>
      {/* Out of use or under watch comes before everything. */}
      {bar.state !== "in-service" && <BarWarnings bar={bar} tolerances={tolerances} />}
      <DrawingSheet bar={bar} mayMeasure={may.measure && bar.state !== "retired"} strip={strip} />
      <KeyNumbers bar={bar} />
      {findings}
      {bar.state === "in-service" && <BarWarnings bar={bar} tolerances={tolerances} />}
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-2">
        <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3">
          <section id="state" className="sheet scroll-mt-4 p-4">
            <h2 className="mb-1 font-bold">State</h2>
            <p className="text-sm">
              Now: <StateText state={bar.state} reason={bar.stateReason} />.
              {bar.state !== "quarantined" && " A bent or cracked bar is out at once."}
            </p>
            {canChangeState && (
              <details className="no-print mt-2">
                <summary className="link min-h-9 cursor-pointer text-sm">Change the state</summary>
                <div className="mt-2">
                  <StateForm key={version} tag={bar.tag} state={bar.state} version={version} action={stateAction} />
                </div>
              </details>
            )}
            {!canChangeState && bar.state === "quarantined" && (
              <p className="text-quiet mt-1 text-sm">Only the manager returns {bar.tag} to service.</p>
            )}
          </section>
          <CareOfBar care={care} log={log} today={today} tag={bar.tag} />
        </div>
        <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3">
          {use}
          {feel}
          <Fold title="Numbers" about="what counts, what the seller states, gaps and readings">
            <BarNumbers details={details} tolerances={tolerances} today={today} />
          </Fold>
          <Fold title="Facts" about="rating, material, knurl, sleeves, where it was bought">
            <Facts details={details} />
          </Fold>
          {ruleBooksFor(bar).length > 0 && (
            <Fold title="Against competition rules" about="line by line">
              <BarRules bar={bar} tolerances={tolerances} clampPairKg={clampPairKg} />
            </Fold>
          )}
          <Fold
            title="History"
            about={`${details.history.length} ${details.history.length === 1 ? "change" : "changes"}`}
          >
            <BarHistory details={details} today={today} mayUndo={may.edit} action={undoAction} />
          </Fold>
        </div>
      </div>
    </>
  );
}
