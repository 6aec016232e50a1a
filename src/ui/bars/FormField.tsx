"use client";

import type { FieldDef } from "@/core/bars/barFields";
import type { UseFormRegisterReturn } from "react-hook-form";
import { DayField } from "../kit/DayField";
import { useChecked } from "../kit/checkedField";
import { UnitInput, UnitName } from "../kit/shown";
import { Choices } from "./FieldChoices";
import { type Props } from "./fieldProps";

/** One field of a bar, written as its kind needs, with its hint and its problem beside it. */
export function FormField({
  name,
  id = `field-${name}`,
  def,
  text,
  problems: refused,
  label = def.label,
  hint = def.hint,
  suggestions,
  onChange,
  unit = def.kind === "number" ? def.unit : undefined,
}: Props) {
  const { registered, problem } = useChecked(name);
  // What the check says now comes before what the last answer said.
  const problems = problem ? [problem] : refused;
  if (def.kind === "choices")
    return <Choices id={id} name={name} def={def} text={text} problems={problems} label={label} hint={hint} />;
  const notes = [...(problems.length > 0 ? [`${id}-problem`] : []), ...(hint ? [`${id}-hint`] : [])];
  const attributes = {
    id,
    name,
    "aria-invalid": problems.length > 0,
    ...(notes.length > 0 ? { "aria-describedby": notes.join(" ") } : {}),
  };
  return (
    <div className={name === "note" ? "sm:col-span-2 lg:col-span-3" : isWide(def) ? "sm:col-span-2" : undefined}>
      <label htmlFor={id} className="mb-1 block text-sm font-semibold">
        {label}
        {unit && (
          <span className="font-normal">
            , <UnitName of={unit} />
          </span>
        )}
        {def.isRequired && (
          <span className="text-quiet font-normal" aria-hidden="true">
            {" "}
            needed
          </span>
        )}
      </label>
      <Control
        def={def}
        text={text}
        unit={unit}
        attributes={{ ...registered, ...attributes }}
        suggestions={suggestions}
        onChange={onChange}
      />
      {hint && (
        <p id={`${id}-hint`} className="text-quiet mt-1 text-xs">
          {hint}
        </p>
      )}
      {problems.length > 0 && (
        <p id={`${id}-problem`} className="text-error mt-1 text-sm">
          {problems.join(" ")}
        </p>
      )}
    </div>
  );
}

/** Sentences and lists want room. */
const isWide = (def: FieldDef) => def.kind === "list" || (def.kind === "text" && def.most > 200);

/** What a field of days takes of a registered one; bounds are not its kind's. */
const named = ({ max: _max, min: _min, ...rest }: { id: string; name: string } & Partial<UseFormRegisterReturn>) =>
  rest;

const isTurned = (unit: string): unit is "kg" | "mm" => unit === "kg" || unit === "mm";

function Control({
  def,
  text,
  unit: stands,
  attributes,
  suggestions,
  onChange,
}: {
  def: FieldDef;
  text: string;
  unit: string | undefined;
  attributes: { id: string; name: string; "aria-invalid": boolean } & Partial<UseFormRegisterReturn>;
  suggestions: readonly string[] | undefined;
  onChange: ((text: string) => void) | undefined;
}) {
  switch (def.kind) {
    case "choice":
    case "yes-no": {
      const choices = def.kind === "choice" ? def.of : ["yes", "no"];
      return (
        <select
          {...attributes}
          defaultValue={text}
          onChange={(event) => {
            void attributes.onChange?.(event);
            onChange?.(event.target.value);
          }}
          className="select w-full"
        >
          {!def.isRequired && <option value="">not known</option>}
          {choices.map((choice) => (
            <option key={choice} value={choice}>
              {(def.kind === "choice" && def.words?.[choice]) || choice.replaceAll("-", " ")}
            </option>
          ))}
        </select>
      );
    }
    case "list":
      return (
        <textarea
          {...attributes}
          defaultValue={text.split(" | ").filter(Boolean).join("\n")}
          rows={3}
          className="textarea w-full"
        />
      );
    case "day":
      return <DayField {...named(attributes)} start={text} className="input w-full" />;
    default: {
      const unit = def.kind === "mass" ? "kg" : stands && isTurned(stands) ? stands : undefined;
      // A number that is kept in kg or mm stands there in the reader's unit; what was typed with its unit stays as it is.
      if (unit && def.kind === "number" && text !== "" && Number.isFinite(Number(text)))
        return (
          <UnitInput {...attributes} unit={unit} value={Number(text)} autoComplete="off" className="input w-full" />
        );
      return (
        <>
          <input
            {...attributes}
            data-unit={unit}
            defaultValue={text}
            inputMode={def.kind === "number" || def.kind === "money" ? "decimal" : undefined}
            list={suggestions ? `${attributes.id}-list` : undefined}
            autoComplete="off"
            className="input w-full"
          />
          {suggestions && (
            <datalist id={`${attributes.id}-list`}>
              {suggestions.map((one) => (
                <option key={one} value={one} />
              ))}
            </datalist>
          )}
        </>
      );
    }
  }
}
