"use client";

import { shownMass } from "@/core/units/shown";
import { useShown } from "../kit/shown";

/** The load in the other unit: beside pounds always, since half of the discs say kg; beside kg for whoever reads pounds. */
export function OtherUnit({ kg, asked }: { kg: number; asked: "kg" | "lb" }) {
  const { units } = useShown();
  const other = asked === "lb" ? "kg" : units.mass;
  if (other === asked) return null;
  return (
    <span className="text-quiet">
      {" "}
      {shownMass(kg, 2, { ...units, mass: other })} {other}
    </span>
  );
}
