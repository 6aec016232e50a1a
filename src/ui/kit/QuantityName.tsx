import type { BarForm } from "@/core/bars/families";
import { quantityLabel, type QuantityKind } from "@/core/bars/quantities";
import { TERM_OF_QUANTITY } from "@/core/glossary/terms";
import { Term } from "./Term";

/** What a quantity is called on a bar of a form; its word of the trade explains itself on touch. */
export function QuantityName({ kind, form }: { kind: QuantityKind; form: BarForm }) {
  const term = TERM_OF_QUANTITY[kind];
  const label = quantityLabel(kind, form);
  return term ? <Term of={term}>{label}</Term> : label;
}
