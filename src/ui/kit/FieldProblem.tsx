"use client";

import { useChecked } from "./checkedField";
import type { FormState } from "./formState";

/** What is wrong with boxes that are chosen together, which have no field of their own to say it. */
export function FieldProblem({ state, name }: { state: FormState; name: string }) {
  const { problem } = useChecked(name);
  const refused = state.problems.filter(({ path }) => path === name).map(({ message }) => message);
  const said = problem ? [problem] : refused;
  if (said.length === 0) return null;
  return (
    <p role="alert" className="text-error mt-1 text-sm">
      {said.join(" ")}
    </p>
  );
}
