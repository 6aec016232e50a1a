"use client";

import { useState } from "react";
import { BAR_FIELDS, FIELD_GROUPS, hasField, type FieldGroup } from "@/core/bars/barFields";
import { FAMILIES, type FamilyKey } from "@/core/bars/families";
import { measurableKinds } from "@/core/bars/quantities";
import { OFFER_FIELDS, OFFER_KEYS, OFFERED_FIELDS } from "@/core/buying/offer";
import { FamilyChoice, FormFoot, problemsBy, Refused, StatedFields } from "../bars/barFormParts";
import { FormField } from "../bars/FormField";
import { CheckedForm } from "../kit/CheckedForm";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  id: string | null;
  version: number;
  texts: Record<string, string>;
  currency: string;
  action: FormAction;
  back: string;
}

const GROUPS: Partial<Record<FieldGroup, string>> = {
  material: "Material",
  knurl: "Knurl",
  sleeves: "Sleeves",
  rating: "Rating",
  geometry: "Special parts",
};

const NEVER_STATED = ["runout", "endPlay", "spinDown"];

/** Adds or changes an offer: what it costs and when it comes, and the bar as its seller states it. */
export function OfferForm({ id, version, texts, currency, action, back }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const known = form.status === "refused" ? form.typed : texts;
  const [family, setFamily] = useState<FamilyKey>((texts.family as FamilyKey | undefined) ?? "all-round");
  const { form: build } = FAMILIES[family];
  const problemsOf = problemsBy(form);
  const of = (group: FieldGroup) =>
    OFFERED_FIELDS.filter((key) => BAR_FIELDS[key].group === group && hasField(key, build) && key !== "family");
  return (
    <CheckedForm
      key={`${form.status}${form.problems.length}${form.version ?? ""}`}
      kind="offer"
      {...{ form, send, isPending }}
      className="grid gap-3"
    >
      <input type="hidden" name="id" value={id ?? ""} />
      <input type="hidden" name="version" value={form.version ?? version} />
      <Refused form={form} />
      <fieldset className="sheet grid gap-x-4 gap-y-3 p-4 sm:grid-cols-2 lg:grid-cols-4">
        <legend className="sr-only">The bar</legend>
        <FormField
          name="name"
          def={BAR_FIELDS.name}
          label="Name"
          text={known.name ?? ""}
          problems={problemsOf("name")}
        />
        <FamilyChoice id="offer-family" label="Family" family={family} choose={setFamily} />
      </fieldset>
      <fieldset className="sheet p-4">
        <legend className="contents">
          <span className="font-bold">Price and delivery</span>
        </legend>
        <div className="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
          {OFFER_KEYS.map((key) => (
            <FormField
              key={key}
              name={key}
              def={OFFER_FIELDS[key]}
              text={known[key] ?? ""}
              problems={problemsOf(key)}
              {...(key === "currency" ? { hint: `where the amounts do not say it; blank: ${currency}` } : {})}
            />
          ))}
        </div>
      </fieldset>
      <StatedFields
        {...{ build, known, problemsOf }}
        kinds={measurableKinds(build, false).filter((kind) => !NEVER_STATED.includes(kind))}
      />
      <details className="sheet px-4" open={form.problems.length > 0}>
        <summary className="min-h-11 cursor-pointer py-3 font-bold">Material, knurl, sleeves, rating</summary>
        {FIELD_GROUPS.filter((group) => GROUPS[group] && of(group).length > 0).map((group) => (
          <fieldset key={group} className="pb-4">
            <legend className="text-sm font-bold">{GROUPS[group]}</legend>
            <div className="mt-1 grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
              {of(group).map((key) => (
                <FormField
                  key={key}
                  name={key}
                  def={BAR_FIELDS[key]}
                  text={known[key] ?? ""}
                  problems={problemsOf(key)}
                />
              ))}
            </div>
          </fieldset>
        ))}
      </details>
      <FormFoot
        word={id === null ? "Add offer" : form.version === undefined ? "Save" : "Overwrite"}
        {...{ back, isPending }}
      />
    </CheckedForm>
  );
}
