import "server-only";
import Joi from "joi";
import type { FieldDef } from "@/core/bars/barFields";
import { readField } from "@/core/bars/fieldText";
import type { Problem } from "@/core/problem";

const known = new WeakMap<Readonly<Record<string, FieldDef>>, Joi.ObjectSchema>();

/** The schema of a form that is described by fields: every field a text that its kind can read. */
export function fieldSchema(defs: Readonly<Record<string, FieldDef>>): Joi.ObjectSchema {
  let schema = known.get(defs);
  if (!schema) {
    schema = Joi.object(
      Object.fromEntries(
        Object.entries(defs).map(([key, def]) => [
          key,
          // Not a string of Joi's own: that would let the empty one pass before its kind is asked.
          Joi.any()
            .custom((text: unknown, helpers) => {
              const read = readField(def, String(text));
              return read.ok ? text : helpers.error("field.read", { said: `${def.label}: ${read.message}` });
            })
            .messages({ "field.read": "{#said}" }),
        ]),
      ),
    ).unknown();
    known.set(defs, schema);
  }
  return schema;
}

/**
 * Every problem of a form's texts.
 *
 * @returns a problem for each field that cannot be read; none when all can
 */
export function problemsOfTexts(
  defs: Readonly<Record<string, FieldDef>>,
  texts: Readonly<Record<string, string | undefined>>,
): Problem[] {
  // What is left out is as good as empty, and a needed field says so.
  const whole = Object.fromEntries(Object.keys(defs).map((key) => [key, texts[key] ?? ""]));
  const { error } = fieldSchema(defs).validate(whole, { abortEarly: false, errors: { escapeHtml: false } });
  return (error?.details ?? []).map(({ path, context }) => ({
    path: String(path[0]),
    message: String((context as { said?: string } | undefined)?.said ?? ""),
  }));
}
