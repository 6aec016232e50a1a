/** What a form knows after it was sent: nothing yet, done, or refused with every problem and what was typed. */
export interface FormState {
  status: "fresh" | "done" | "refused";
  message: string;
  problems: { path: string; message: string }[];
  /** What the person typed, so that nothing is lost. */
  typed: Record<string, string>;
  /** After a stale edit: the version to name when the person writes over it all the same. */
  version?: number;
}

export const FRESH: FormState = { status: "fresh", message: "", problems: [], typed: {} };

export type FormAction = (before: FormState, form: FormData) => Promise<FormState>;

interface Refused {
  message: string;
  problems: readonly { path: string; message: string }[];
  version?: number;
}

/** What a form knows after it was refused: everything that was typed, and the version to name when it is sent again. */
export function refusedBy({ message, problems, version }: Refused, typed: Record<string, string> = {}): FormState {
  return { status: "refused", message, problems: [...problems], typed, ...(version === undefined ? {} : { version }) };
}
