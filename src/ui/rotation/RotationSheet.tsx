import type { Bar } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import type { PlannedRotation } from "@/core/rotation/plannedRotation";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import type { FormAction } from "../kit/formState";
import { PrintButton } from "../kit/PrintButton";
import { OneTouchForm } from "../strength/LogForms";
import { RotationGrid, type GridRow } from "./RotationGrid";

interface Props {
  id: string;
  version: number;
  plan: PlannedRotation | null;
  rows: readonly GridRow[];
  weeks: readonly { number: number; from: string; targetPct: number }[];
  /** Bars of the plan, to be drawn. */
  bars: readonly Bar[];
  tags: readonly string[];
  mayEdit: boolean;
  actions: { pin: FormAction; send: FormAction; remove: FormAction };
}

/** A planned rotation: its weeks, its bars, and where it goes from here. */
export function RotationSheet({ id, version, plan, rows, weeks, bars, tags, mayEdit, actions }: Props) {
  return (
    <div className="grid gap-3">
      <KnurlPatterns />
      <section className="sheet px-4 py-3" aria-label="The weeks">
        {plan && (
          <p className="flex flex-wrap items-center justify-between gap-3">
            <span className="text-sm">
              <strong>{plan.isProven ? "No better plan exists." : "Planned."}</strong>{" "}
              {plan.isProven
                ? "Match allows every bar for its lifter, and the weeks follow the wave as closely as possible."
                : `Within ${Math.round((100 * (plan.bound - plan.value)) / Math.max(1, Math.abs(plan.bound)))} % of the best possible.`}{" "}
              <span className="text-quiet">Loads are today’s.</span>
            </span>
            <span className="no-print flex flex-wrap items-center gap-2">
              {mayEdit && <OneTouchForm fields={{ id }} word="Send to classes" action={actions.send} />}
              <PrintButton />
            </span>
          </p>
        )}
        <RotationGrid {...{ id, version, weeks, rows, tags, mayEdit }} action={actions.pin} />
        <p className="text-quiet pt-2 text-xs">
          Shaded weeks are heavy. A bar that is new to someone comes in light weeks first, without a heaviest attempt.
          What a lifter feels, and what a doctor said, comes before any plan.
        </p>
      </section>
      <section className="sheet px-4 py-3" aria-label="Bars of the plan">
        <h2 className="mb-1 font-bold">Bars of the plan</h2>
        <ul className="grid gap-x-6 gap-y-1 md:grid-cols-2">
          {bars.map((bar) => (
            <li key={bar.tag} className="grid grid-cols-[9rem_minmax(0,1fr)] items-center gap-3 text-sm">
              <span>
                <BarTag tag={bar.tag} /> {bar.name}
              </span>
              <BarDrawing drawing={drawBar(bar)} label={`${bar.name} to scale`} className="max-h-14" />
            </li>
          ))}
        </ul>
      </section>
      {mayEdit && (
        <p className="no-print">
          <OneTouchForm fields={{ id }} word="Delete this rotation" action={actions.remove} />
        </p>
      )}
    </div>
  );
}
