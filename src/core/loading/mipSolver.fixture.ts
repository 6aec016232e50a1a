import type { LoadQuestion } from "./question";

/** The part of the HiGHS package that is used here. */
export interface MipSolver {
  solve(problem: string): { Status: string; ObjectiveValue: number; Columns: Record<string, { Primal?: number }> };
}

/**
 * The same question for a mixed-integer solver, in two steps: the greatest mass at or below the target, then the
 * fewest plates that make it. Masses are given in steps of a quarter kilogram, so that the solver's floats are whole.
 */
export function bestByMip(highs: MipSolver, question: LoadQuestion): { sideQuarters: number; plates: number } {
  const quarter = (units: number) => units / 2_500_000_000;
  const names = question.plates.map((_, k) => `x${k}`);
  const mass = question.plates.map(({ massUnits }, k) => `${quarter(massUnits)} x${k}`).join(" + ");
  const need = quarter(question.targetUnits - question.barUnits - question.clampPairUnits) / 2;
  const width = question.plates.map(({ thicknessMm }, k) => `${thicknessMm ?? 0} x${k}`).join(" + ");
  const room = question.roomMm === null ? "" : `\n room: ${width} <= ${question.roomMm}`;
  const bounds = `Bounds\n${question.plates.map(({ pairs }, k) => ` 0 <= x${k} <= ${pairs}`).join("\n")}\nGeneral\n ${names.join(" ")}\nEnd`;
  const first = highs.solve(
    `Maximize\n obj: ${mass}\nSubject To\n need: ${mass} <= ${Math.floor(need)}${room}\n${bounds}`,
  );
  const sideQuarters = Math.round(first.ObjectiveValue);
  const second = highs.solve(
    `Minimize\n obj: ${names.join(" + ")}\nSubject To\n need: ${mass} = ${sideQuarters}${room}\n${bounds}`,
  );
  return { sideQuarters, plates: Math.round(second.ObjectiveValue) };
}
