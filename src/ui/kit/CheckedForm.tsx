"use client";

import { startTransition, useEffect, useRef, type FormEventHandler, type ReactNode, type SubmitEvent } from "react";
import { get, useForm, type FieldErrors, type Resolver } from "react-hook-form";
import { CheckedContext } from "./checkedField";
import { useCheck } from "./formCheck";
import type { FormState } from "./formState";

type Texts = Record<string, string>;

interface Props {
  /** What is entered: "bar", "plate", "lifter"; each has its schema on the server. */
  kind: string;
  form: FormState;
  send: (form: FormData) => void;
  isPending: boolean;
  className?: string;
  onChange?: FormEventHandler<HTMLFormElement>;
  children: ReactNode;
}

/**
 * A form that is checked by the server's own schema when a field is left and again when it is sent: what is wrong stands
 * at its field, the first of them has the focus, what is not saved is asked about before it is left, and nothing is sent
 * twice. Without an answer from the check it is sent all the same: saving checks everything again.
 */
export function CheckedForm({ kind, form, send, isPending, className, onChange, children }: Props) {
  const check = useCheck();
  const element = useRef<HTMLFormElement>(null);
  const isSent = useRef(false);
  const resolver: Resolver<Texts> = async (values, _context, { names }) => {
    const problems = check && element.current ? await check(kind, textsOf(element.current)).catch(() => []) : [];
    // Left empty, a field is not wrong yet: it is when the form is sent.
    const isLeft = names?.length === 1 && names[0] !== undefined;
    const errors: FieldErrors<Texts> = {};
    for (const { path, message } of problems)
      // What this form does not ask is not its to put right: saving knows it.
      if (element.current?.elements.namedItem(path) && (!isLeft || (path === names[0] && values[path] !== "")))
        errors[path] ??= { type: "server", message };
    return Object.keys(errors).length > 0 ? { values: {}, errors } : { values, errors: {} };
  };
  const methods = useForm<Texts>({ mode: "onBlur", reValidateMode: "onBlur", resolver, shouldFocusError: true });
  const { isDirty, isSubmitting, errors } = methods.formState;
  useEffect(() => {
    if (!isPending) isSent.current = false;
  }, [isPending]);
  // Of what the server refused the first field has the focus.
  useEffect(() => {
    if (form.status !== "refused") return;
    element.current?.querySelector<HTMLElement>("[aria-invalid=true]")?.focus();
  }, [form]);
  useLeaveWarning(isDirty && !isSubmitting && !isPending && form.status !== "done");
  const onSubmit = (event: SubmitEvent<HTMLFormElement>) => {
    const current = event.currentTarget;
    const { submitter } = event.nativeEvent as unknown as { submitter: HTMLElement | null };
    void methods.handleSubmit(() => {
      if (isSent.current) return;
      isSent.current = true;
      const body = new FormData(current, submitter ?? undefined);
      startTransition(() => send(body));
    })(event);
  };
  return (
    <CheckedContext value={{ register: methods.register, problemOf: (name) => said(errors, name) }}>
      <form ref={element} action={send} className={className} noValidate onSubmit={onSubmit} onChange={onChange}>
        {children}
      </form>
    </CheckedContext>
  );
}

/** What is wrong with a field. Names with dots are paths to the package where a field was left, and plain where all were sent. */
const said = (errors: FieldErrors<Texts>, name: string): string | null =>
  (get(errors, name) as { message?: string } | undefined)?.message ?? null;

/** What a form would send, as texts; boxes of one name together. */
function textsOf(form: HTMLFormElement): Texts {
  const texts: Texts = {};
  for (const [name, value] of new FormData(form))
    if (typeof value === "string") texts[name] = name in texts ? `${texts[name]} | ${value}` : value;
  return texts;
}

/** Asks before a page with unsaved changes is left, by a link or by closing it. */
function useLeaveWarning(isOn: boolean) {
  useEffect(() => {
    if (!isOn) return;
    const onUnload = (event: BeforeUnloadEvent) => event.preventDefault();
    const onClick = (event: MouseEvent) => {
      const link = event.target instanceof Element ? event.target.closest("a[href]") : null;
      if (!link || link.getAttribute("target") === "_blank" || link.getAttribute("href")?.startsWith("#")) return;
      if (window.confirm("Leave without saving? What you changed is lost.")) return;
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener("beforeunload", onUnload);
    document.addEventListener("click", onClick, true);
    return () => {
      window.removeEventListener("beforeunload", onUnload);
      document.removeEventListener("click", onClick, true);
    };
  }, [isOn]);
}
