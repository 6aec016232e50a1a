"use client";

import type { Bar } from "@/core/bars/bar";
import {
  FINISH_STATES,
  INSPECTED_PARTS,
  KNURL_STATES,
  PART_STATES,
  RUST_GRADES,
  type InspectedPart,
  type InspectionLimits,
} from "@/core/care/inspection";
import { FAMILIES } from "@/core/bars/families";
import { trimmed } from "@/core/units/format";
import { fieldNumber } from "@/core/units/shown";
import type { BarCondition } from "@/server/care/records";
import { CheckedForm } from "../kit/CheckedForm";
import type { FormAction, FormState } from "../kit/formState";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { StateText } from "../kit/StateText";
import { useFormAction } from "../kit/useFormAction";
import { ZonePicker } from "../kit/ZonePicker";
import { DialTurns } from "./DialTurns";
import { InspectionDecision } from "./InspectionDecision";
import { Figure, Seen, YES_NO } from "./InspectionFields";
import { PastInspections, type PastInspection } from "./PastInspections";
import { RustScale } from "./RustScale";
import { type Inspecting, useInspection } from "./useInspection";

/** What the simulated instruments would find. */
interface Truth {
  tirMm: number;
  spinS: number;
  endPlayMm: number;
}

interface Props {
  bar: Bar;
  parts: readonly InspectedPart[];
  limits: InspectionLimits;
  past: readonly PastInspection[];
  condition: BarCondition;
  today: string;
  /** Null where there are no simulated instruments: outside a demonstration. */
  truth: Truth | null;
  mayInspect: boolean;
  mayOverride: boolean;
  idempotencyKey: string;
  action: FormAction;
}

const PART_WORDS: Record<InspectedPart, string> = {
  welds: "welds",
  pins: "pins and threads",
  pads: "pads and handles",
  "end caps": "end caps and retaining rings",
};

/** A bar looked at closely: what was found, what the rule says of it as it is typed, and what somebody decides. */
export function InspectionSheet(props: Props) {
  const { bar, parts, limits, truth, mayInspect, mayOverride, idempotencyKey, action } = props;
  const [form, send, isPending] = useFormAction(action);
  const { takeEarly, ...inspecting } = useInspection(bar, limits, form);
  return (
    <>
      <PageHead title={`Inspect ${bar.tag}`} about={bar.name}>
        <Link
          href={`/bars/${encodeURIComponent(bar.tag)}`}
          className="inline-flex min-h-11 items-center text-sm hover:underline"
        >
          The bar
        </Link>
      </PageHead>
      <p className="mb-3 text-sm">
        Now: <StateText state={bar.state} reason={bar.stateReason} />. Support it on two stands, plates off. Leave blank
        what you did not check.
      </p>
      {mayInspect ? (
        <CheckedForm
          kind="inspection"
          {...{ form, send, isPending }}
          className="grid gap-3 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]"
        >
          <input type="hidden" name="tag" value={bar.tag} />
          <input type="hidden" name="idempotencyKey" value={idempotencyKey} />
          <input type="hidden" name="simulated" value={inspecting.known.simulated ?? ""} />
          <div ref={takeEarly} data-inspected="" className="grid content-start gap-3">
            {FAMILIES[bar.family].form === "straight" && (
              <DialTurns {...{ bar, limits, form, inspecting }} simulatedMm={truth?.tirMm ?? null} />
            )}
            <SleeveFields {...{ form, inspecting, truth }} />
            <SurfaceFields {...{ form, inspecting, parts }} />
          </div>
          <div className="grid content-start gap-3">
            <InspectionDecision {...{ form, inspecting, mayOverride, isPending }} />
            <PastInspections {...props} />
          </div>
        </CheckedForm>
      ) : (
        <PastInspections {...props} />
      )}
    </>
  );
}

interface PartProps {
  form: FormState;
  inspecting: Inspecting;
}

function SleeveFields({ truth, ...at }: PartProps & { truth: Truth | null }) {
  const { set, units } = at.inspecting;
  return (
    <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-3">
      <legend className="px-1 font-bold">Sleeves</legend>
      <Figure {...at} name="spinLeftS" label="left spins for" unit="s" />
      <Figure {...at} name="spinRightS" label="right spins for" unit="s" />
      <Figure {...at} name="endPlayMm" label="end play" unit="mm" />
      {truth && (
        <button
          type="button"
          className="btn btn-outline sm:col-span-3 sm:justify-self-start"
          onClick={() =>
            set({
              simulated: "yes",
              spinLeftS: trimmed(truth.spinS, 1),
              spinRightS: trimmed(truth.spinS * 0.93, 1),
              endPlayMm: fieldNumber(Number(trimmed(truth.endPlayMm, 1)), "mm", units),
            })
          }
        >
          Simulated stopwatch and gauge
        </button>
      )}
    </fieldset>
  );
}

function SurfaceFields({ parts, ...at }: PartProps & { parts: readonly InspectedPart[] }) {
  const { known, set } = at.inspecting;
  const where = (name: "knurlAt" | "rustAt", label: string) => (
    <div className="sm:col-span-2">
      <ZonePicker name={name} label={label} chosen={known[name] ?? ""} onChoose={(zone) => set({ [name]: zone })} />
    </div>
  );
  return (
    <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
      <legend className="px-1 font-bold">Surface and parts</legend>
      <Seen {...at} name="crackSeen" label="a crack anywhere" of={YES_NO} />
      <Seen {...at} name="knurl" label="knurl" of={KNURL_STATES} />
      <Seen {...at} name="rust" label="rust" of={RUST_GRADES} />
      <Seen {...at} name="finish" label="finish of the shaft" of={FINISH_STATES} />
      {(known.knurl ?? "") !== "" && known.knurl !== "sharp" && where("knurlAt", `Where is the knurl ${known.knurl}?`)}
      {(known.rust ?? "") !== "" && known.rust !== "none" && where("rustAt", "Where is the rust?")}
      {INSPECTED_PARTS.filter((part) => parts.includes(part)).map((part) => (
        <Seen key={part} {...at} name={`part.${part}`} label={PART_WORDS[part]} of={PART_STATES} />
      ))}
      <div className="sm:col-span-2">
        <RustScale chosen={known.rust ?? ""} />
      </div>
    </fieldset>
  );
}
