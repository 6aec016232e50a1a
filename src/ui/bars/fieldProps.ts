"use client";

import type { FieldDef } from "@/core/bars/barFields";

export interface Props {
  name: string;
  /** Where a page has more than one form with the same fields. */
  id?: string;
  def: FieldDef;
  text: string;
  problems: readonly string[];
  label?: string;
  hint?: string;
  suggestions?: readonly string[];
  onChange?: (text: string) => void;
  /** Of a text that says its unit itself: what a bare number in it means. */
  unit?: string;
}
