"use client";

import {
  startTransition,
  useEffect,
  useRef,
  useState,
  useSyncExternalStore,
  type FocusEvent,
  type FormEventHandler,
  type ReactNode,
  type SubmitEvent,
} from "react";
import { flushSync } from "react-dom";
import type { Problem } from "@/core/problem";
import { CheckedContext } from "./checkedField";
import { useCheck } from "./formCheck";
import type { FormFields } from "./formFields";
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
  const [isTouched, setTouched] = useState(false);
  const [isSubmitting, setSubmitting] = useState(false);
  const { fields, fetchFields, left } = useFields(async (names) => {
    const current = element.current;
    if (!check || !current) return [];
    const texts = textsOf(current);
    const problems = await check(kind, texts).catch((): Problem[] => []);
    // Left empty, a field is not wrong yet: it is when the form is sent. What this form does not ask is not its to put
    // right: saving knows it.
    const isLeft = ({ path }: Problem) => names === undefined || (names.includes(path) && (texts[path] ?? "") !== "");
    return problems.filter((one) => current.elements.namedItem(one.path) && isLeft(one));
  });
  useEffect(() => {
    if (!isPending) isSent.current = false;
  }, [isPending]);
  // Of what the server refused the first field has the focus.
  useEffect(() => {
    if (form.status !== "refused") return;
    element.current?.querySelector<HTMLElement>("[aria-invalid=true]")?.focus();
  }, [form]);
  useLeaveWarning(isTouched && !isSubmitting && !isPending && form.status !== "done");
  const onSubmit = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const current = event.currentTarget;
    const { submitter } = event.nativeEvent as unknown as { submitter: HTMLElement | null };
    const goOn = () => {
      if (isSent.current) return;
      isSent.current = true;
      const body = new FormData(current, submitter ?? undefined);
      startTransition(() => send(body));
    };
    setSubmitting(true);
    try {
      const own = await fetchFields();
      await (own ? own.submit(goOn) : goOn());
    } finally {
      setSubmitting(false);
    }
  };
  return (
    <CheckedContext value={fields && { register: fields.register, problemOf: fields.problemOf }}>
      <form
        ref={element}
        action={send}
        className={className}
        noValidate
        onSubmit={(event) => void onSubmit(event)}
        onChange={onChange}
        onInput={() => setTouched(true)}
        onFocus={() => void fetchFields()}
        onBlur={({ target }: FocusEvent<HTMLFormElement, HTMLElement>) => left(target.getAttribute("name"))}
      >
        {children}
      </form>
    </CheckedContext>
  );
}

const nothing = () => () => {};
const never = () => 0;

/** The fields of a form, fetched at its first touch; what was left before they came is checked then. */
function useFields(problemsOf: (names: readonly string[] | undefined) => Promise<Problem[]>) {
  const [fields, setFields] = useState<FormFields | null>(null);
  const asked = useRef<Promise<FormFields | null> | null>(null);
  const leftBefore = useRef<string[]>([]);
  const latest = useRef(problemsOf);
  useEffect(() => {
    latest.current = problemsOf;
  });
  useSyncExternalStore(fields?.subscribe ?? nothing, fields?.said ?? never, never);
  const fetchFields = () =>
    (asked.current ??= import("./formFields").then(
      ({ formFields }) => {
        const made = formFields((names) => latest.current(names));
        // Its fields are in it before anything is asked of them.
        flushSync(() => setFields(made));
        if (leftBefore.current.length > 0) void made.check(leftBefore.current);
        return made;
      },
      () => {
        // Without the script nothing is checked here; saving checks everything again.
        asked.current = null;
        return null;
      },
    ));
  const left = (name: string | null) => {
    if (name && !fields) leftBefore.current.push(name);
  };
  return { fields, fetchFields, left };
}

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
