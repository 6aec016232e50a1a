import type { FieldDef } from "@/core/bars/barFields";

/** A form's texts by field; boxes of one name become one list. */
export function formTexts(form: FormData, defs: Record<string, FieldDef>): Record<string, string> {
  return Object.fromEntries(
    Object.keys(defs).map((key) => [
      key,
      form
        .getAll(key)
        .map(String)
        .join(defs[key]!.kind === "choices" ? " | " : "\n"),
    ]),
  );
}
