"use client";

import type { FieldDef } from "@/core/bars/barFields";
import { FormField } from "../bars/FormField";
import type { FormAction } from "../kit/formState";
import { SavedForm } from "../kit/SavedForm";
import { CalibrateRows } from "./CalibrateRows";

interface Props {
  tag: string;
  version: number;
  kind: "arm" | "frame";
  texts: Record<string, string>;
  /** Fields beside marks and pins, or all of a frame's. */
  defs: Record<string, FieldDef>;
  /** What the simulated instruments would find, by side and name of mark or pin; null outside a demonstration. */
  truth: { deg: Record<string, number>; mm: Record<string, number> } | null;
  seed: number;
  action: FormAction;
}

/** Measures a bar's marks and pins once, left and right, by hand or with the simulated gauge and tape. */
export function CalibrateForm({ tag, version, kind, texts, defs, truth, seed, action }: Props) {
  const asked = Object.entries(defs).filter(([key]) => kind === "frame" || (key !== "marks" && key !== "pins"));
  return (
    <SavedForm
      kind={`${kind}-chart`}
      version={version}
      fields={Object.keys(defs)}
      hidden={{ tag }}
      action={action}
      save="Save calibration"
      className="grid gap-4"
    >
      {(form) => {
        const known = form.status === "refused" ? form.typed : texts;
        const problemsOf = (key: string) =>
          form.problems.filter(({ path }) => path === key).map(({ message }) => message);
        return (
          <>
            {kind === "arm" && (
              <div className="grid gap-4 lg:grid-cols-2">
                <CalibrateRows
                  name="marks"
                  title="Marks of the angle"
                  unit="°"
                  instrument="angle gauge"
                  text={known.marks}
                  truth={truth?.deg ?? null}
                  seed={seed}
                  problems={problemsOf("marks")}
                  help="0° hangs along the trunk, positive turns forward. Lock both arms at the mark, lay the gauge on each."
                />
                <CalibrateRows
                  name="pins"
                  title="Pins of the distance"
                  unit="mm"
                  instrument="tape"
                  text={known.pins}
                  truth={truth?.mm ?? null}
                  seed={seed + 1}
                  problems={problemsOf("pins")}
                  help="From the pad’s axis to the middle of the sleeve, on each arm."
                />
              </div>
            )}
            <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
              {asked.map(([key, def]) => (
                <FormField key={key} name={key} def={def} text={known[key] ?? ""} problems={problemsOf(key)} />
              ))}
            </div>
          </>
        );
      }}
    </SavedForm>
  );
}
