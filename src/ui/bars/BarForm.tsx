"use client";

import { useState } from "react";
import {
  BAR_FIELDS,
  FIELD_GROUPS,
  FIELD_KEYS,
  hasField,
  MONEY_FIELDS,
  type FieldGroup,
  type FieldKey,
} from "@/core/bars/barFields";
import { FAMILIES, type FamilyKey } from "@/core/bars/families";
import { measurableKinds } from "@/core/bars/quantities";
import { CheckedForm } from "../kit/CheckedForm";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { FamilyChoice, FormFoot, problemsBy, Refused, StatedFields } from "./barFormParts";
import { FormField } from "./FormField";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  mode: "new" | "edit";
  /** What is known, as text by field. */
  texts: Record<string, string>;
  places: readonly string[];
  currency: string;
  /** False for whoever may not know what bars cost and who sold them. */
  showsMoney: boolean;
  action: FormAction;
  /** Where Cancel leads. */
  back: string;
  barId?: string;
  version?: number;
}

const GROUP_WORDS: Record<FieldGroup, string> = {
  identity: "What it is",
  bought: "Bought",
  keeping: "Where it hangs",
  material: "Material",
  knurl: "Knurl",
  sleeves: "Sleeves",
  rating: "Rating",
  geometry: "Special parts",
};

/** Enters or changes a bar. Asks only what the family has; what was typed stays when the server refuses. */
export function BarForm({ mode, texts, places, currency, showsMoney, action, back, barId, version }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const known = form.status === "refused" ? form.typed : texts;
  const [family, setFamily] = useState<FamilyKey>((texts.family as FamilyKey | undefined) ?? "all-round");
  const [sleeves, setSleeves] = useState(texts.sleeveRotation ?? "");
  const { form: build, name } = FAMILIES[family];
  const kinds = measurableKinds(build, sleeves === "fixed");
  const asked = (group: FieldGroup) =>
    FIELD_KEYS.filter(
      (key) =>
        BAR_FIELDS[key].group === group &&
        hasField(key, build) &&
        key !== "family" &&
        !isOfState(key, mode) &&
        (showsMoney || !(MONEY_FIELDS as readonly string[]).includes(key)),
    );
  const problemsOf = problemsBy(form);
  // A refused form is made anew, so that every field shows what was typed.
  const stamp = `${form.status}${form.problems.length}${form.version ?? ""}`;

  return (
    <CheckedForm kind="bar" key={stamp} {...{ form, send, isPending }} className="grid gap-3">
      {barId && <input type="hidden" name="barId" value={barId} />}
      {version !== undefined && <input type="hidden" name="version" value={form.version ?? version} />}
      {mode === "edit" && (
        <>
          <input type="hidden" name="state" value={texts.state ?? "in-service"} />
          <input type="hidden" name="stateReason" value={texts.stateReason ?? ""} />
        </>
      )}
      <Refused form={form}>
        {form.version !== undefined && <p>Overwrite replaces what is there now. Cancel keeps it.</p>}
      </Refused>
      <fieldset className="sheet grid gap-x-4 gap-y-3 p-4 sm:grid-cols-2 lg:grid-cols-4">
        <legend className="sr-only">{GROUP_WORDS.identity}</legend>
        <FamilyChoice id="field-family" label="family" family={family} choose={setFamily}>
          <p className="text-quiet mt-1 text-xs">for {FAMILIES[family].madeFor}</p>
        </FamilyChoice>
        {asked("identity").map((key) => (
          <FormField
            key={key}
            name={key}
            def={BAR_FIELDS[key]}
            text={known[key] ?? (key === "state" ? "in-service" : "")}
            problems={problemsOf(key)}
            {...(mode === "new" && key === "tag" ? SEVERAL_TAGS : {})}
          />
        ))}
      </fieldset>

      <StatedFields
        {...{ build, known, problemsOf }}
        kinds={kinds.filter((kind) => kind !== "runout" && kind !== "endPlay" && kind !== "spinDown")}
        about="As written, with its unit: 45 lb, 28.5 mm, 1 1/8 in. What you measure yourself comes later and counts before this."
      />

      {FIELD_GROUPS.filter((group) => group !== "identity" && asked(group).length > 0).map((group) => (
        <fieldset key={group} className="sheet p-4">
          <legend className="contents">
            <span className="font-bold">{GROUP_WORDS[group]}</span>
          </legend>
          <div className="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
            {asked(group).map((key) => (
              <FormField
                key={key}
                name={key}
                def={BAR_FIELDS[key]}
                text={known[key] ?? ""}
                problems={problemsOf(key)}
                {...(key === "price" ? { label: `price, ${currency}` } : {})}
                {...(key === "place" ? { suggestions: places } : {})}
                {...(key === "sleeveRotation" ? { onChange: setSleeves } : {})}
              />
            ))}
          </div>
        </fieldset>
      ))}

      <FormFoot
        word={mode === "new" ? `Add ${name}` : form.version !== undefined ? "Overwrite" : "Save"}
        {...{ back, isPending }}
      >
        {form.status === "refused" && <FormMessage state={form} />}
      </FormFoot>
    </CheckedForm>
  );
}

const SEVERAL_TAGS = {
  label: "tag, or several tags for identical bars",
  hint: "K30, or K30 K31 K32 for three of a kind",
};

/** The state has its own form on the bar's page; a new bar gets one at once. */
function isOfState(key: FieldKey, mode: "new" | "edit"): boolean {
  return mode === "edit" && (key === "state" || key === "stateReason");
}
