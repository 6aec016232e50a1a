"use client";

import { createContext, useContext } from "react";

/** What a checked form has for its fields. Apart from the form: most fields stand in forms without it, and need none of its script. */
export interface CheckedFields {
  register: (name: string) => object;
  /** What is wrong with a field; null where nothing is. */
  problemOf: (name: string) => string | null;
}

export const CheckedContext = createContext<CheckedFields | null>(null);

/** What a field of a checked form takes; nothing outside of one. */
export function useChecked(name: string): { registered: object; problem: string | null } {
  const fields = useContext(CheckedContext);
  if (!fields) return { registered: {}, problem: null };
  return { registered: fields.register(name), problem: fields.problemOf(name) };
}
