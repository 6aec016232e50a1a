import { createFormControl, get, type FieldErrors, type FieldValues } from "react-hook-form";
import type { Problem } from "@/core/problem";

/** The fields of a form that is checked: fetched when somebody first touches one, since most come to look. */
export interface FormFields {
  /** What a field takes to be one of them. */
  register: (name: string) => object;
  /** What is wrong with a field; null where nothing is. */
  problemOf: (name: string) => string | null;
  /** Checks fields that were left. */
  check: (names: readonly string[]) => Promise<boolean>;
  /** Checks the whole form, and goes on where nothing is wrong; else the first field that is has the focus. */
  submit: (goOn: () => void) => Promise<void>;
  subscribe: (changed: () => void) => () => void;
  /** Another number whenever something else is said. */
  said: () => number;
}

/**
 * @param problemsOf what is wrong: with the fields named, or with all where none is
 * @returns fields that are not registered yet
 */
export function formFields(problemsOf: (names: readonly string[] | undefined) => Promise<Problem[]>): FormFields {
  // The package names every field also where all are asked.
  let isWhole = false;
  const form = createFormControl<FieldValues>({
    mode: "onBlur",
    reValidateMode: "onBlur",
    shouldFocusError: true,
    resolver: async (values, _context, { names }) => {
      const found: FieldErrors = {};
      for (const { path, message } of await problemsOf(isWhole ? undefined : names))
        found[path] ??= { type: "server", message };
      return Object.keys(found).length > 0 ? { values: {}, errors: found } : { values, errors: {} };
    },
  });
  let errors: FieldErrors = {};
  let said = 0;
  const listeners = new Set<() => void>();
  form.subscribe({
    formState: { errors: true },
    callback: (state) => {
      errors = state.errors ?? {};
      said += 1;
      for (const changed of listeners) changed();
    },
  });
  return {
    register: (name) => {
      const { ref, ...rest } = form.register(name);
      // Boxes of one name stand for themselves: the package would tick all of them by the first.
      const own = (element: HTMLElement | null) => {
        if (!(element instanceof HTMLInputElement && /^(checkbox|radio)$/.test(element.type))) ref(element);
      };
      return { ...rest, ref: own };
    },
    // Names with dots are paths to the package where a field was left, and plain where all were sent.
    problemOf: (name) => (get(errors, name) as { message?: string } | undefined)?.message ?? null,
    check: (names) => form.trigger([...names]),
    submit: async (goOn) => {
      isWhole = true;
      await form
        .handleSubmit(goOn)()
        .finally(() => (isWhole = false));
    },
    subscribe: (changed) => {
      listeners.add(changed);
      return () => void listeners.delete(changed);
    },
    said: () => said,
  };
}
