import { KG_PER_LB } from "@/core/units/constants";
import { trimmed } from "@/core/units/format";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";

/** A mass from the address, as it is to be shown in a unit, and in kg; null when it is no number. */
export function readMass(text: string | undefined, unit: "kg" | "lb"): { typed: string; kg: number } | null {
  const typed = text === undefined ? null : readTyped(text, unit);
  if (!typed) return null;
  const kg = convertTyped(typed);
  if (typed.unit === unit) return { typed: String(Number(typed.value)), kg };
  return { typed: trimmed(unit === "kg" ? kg : kg / KG_PER_LB, 2), kg };
}

export function readUnit(text: string | undefined): "kg" | "lb" {
  return text === "lb" ? "lb" : "kg";
}
