"use client";

import { createContext, useContext, type ReactNode } from "react";
import type { Problem } from "@/core/problem";

/* Apart from the form itself: every page carries this, and only pages with a form carry the form's package. */

/** What saving a form of a kind would say of its texts. */
export type FormCheck = (kind: string, texts: Record<string, string>) => Promise<Problem[]>;

const Check = createContext<FormCheck | null>(null);

/** Says who checks the forms inside. */
export function CheckProvider({ check, children }: { check: FormCheck; children: ReactNode }) {
  return <Check value={check}>{children}</Check>;
}

/** Who checks forms here; null where nobody does. */
export const useCheck = (): FormCheck | null => useContext(Check);
