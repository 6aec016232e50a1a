import "./dom.fixture";
import { render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { METRIC, type Units } from "@/core/units/shown";
import type { FormState } from "./kit/formState";
import { ShownProvider } from "./kit/ShownProvider";

export const TODAY = "2026-11-27";
export const POUNDS: Units = { mass: "lb", length: "in" };

/** A part of a screen as a person with these units reads it, and their hands. */
export function show(screen: ReactNode, units: Units = METRIC) {
  const inside = (what: ReactNode) => (
    <ShownProvider units={units} today={TODAY} locale="en-GB">
      {what}
    </ShownProvider>
  );
  const { rerender, container } = render(inside(screen));
  return { user: userEvent.setup(), container, again: (next: ReactNode) => rerender(inside(next)) };
}

/** What a form sent, field by field; of a field that is sent more than once, all with spaces between. */
export type SentForm = Record<string, string>;

/** An action that takes down what it is sent and answers as it is told. */
export function formAction(answer: (sent: SentForm) => Partial<FormState> = () => ({})) {
  const sent: SentForm[] = [];
  const action = async (_: FormState, data: FormData): Promise<FormState> => {
    const form: SentForm = {};
    for (const [name, value] of data.entries())
      form[name] = form[name] === undefined ? String(value) : `${form[name]} ${String(value)}`;
    sent.push(form);
    const { status = "done", message = "Saved.", problems = [], ...rest } = answer(form);
    return { status, message, problems, typed: form, ...rest };
  };
  return { sent, action };
}
