import { useId, type ReactNode } from "react";
import { useChecked } from "./checkedField";
import type { FormState } from "./formState";

/** A labelled field with its problem beside it. The control takes its attributes from the function. */
export function Field({
  state,
  name,
  label,
  children,
}: {
  state: FormState;
  name: string;
  label: ReactNode;
  children: (attributes: {
    id: string;
    name: string;
    "aria-invalid": boolean;
    "aria-describedby"?: string;
  }) => ReactNode;
}) {
  const { registered, problem } = useChecked(name);
  // What the check says now comes before what the last answer said.
  const problems = problem
    ? [problem]
    : state.problems.filter(({ path }) => path === name).map(({ message }) => message);
  // Two forms of a page may each have a field of this name.
  const id = `${useId()}-${name}`;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-sm font-semibold">
        {label}
      </label>
      {children({
        ...registered,
        id,
        name,
        "aria-invalid": problems.length > 0,
        ...(problems.length > 0 ? { "aria-describedby": `${id}-problem` } : {}),
      })}
      {problems.length > 0 && (
        <p id={`${id}-problem`} className="text-error mt-1 text-sm">
          {problems.join(" ")}
        </p>
      )}
    </div>
  );
}

/** How sending the form went, read out when it changes. */
export function FormMessage({ state }: { state: FormState }) {
  return (
    <p role="status" className={`text-sm empty:hidden ${state.status === "refused" ? "text-error" : "text-success"}`}>
      {state.message}
    </p>
  );
}
