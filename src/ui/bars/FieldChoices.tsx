"use client";

import type { FieldDef } from "@/core/bars/barFields";
import type { Props } from "./fieldProps";

/** Any of several, each with its box. */
export function Choices({
  id,
  name,
  def,
  text,
  problems,
  label,
  hint,
}: Pick<Props, "name" | "text" | "problems" | "label" | "hint"> & {
  id: string;
  def: FieldDef & { kind: "choices" };
}) {
  const chosen = text.split(/[\s,|]+/);
  return (
    <fieldset className="sm:col-span-2 lg:col-span-full">
      <legend className="mb-1 text-sm font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1 text-sm">
        {def.of.map((key) => (
          <label key={key} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              name={name}
              id={`${id}-${key}`}
              value={key}
              defaultChecked={chosen.includes(key)}
              className="checkbox checkbox-sm"
            />
            {def.words?.[key] ?? key.replaceAll("-", " ")}
          </label>
        ))}
      </div>
      {hint && <p className="text-quiet text-xs">{hint}</p>}
      {problems.length > 0 && <p className="text-error mt-1 text-sm">{problems.join(" ")}</p>}
    </fieldset>
  );
}
