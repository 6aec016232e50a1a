"use client";

import Form from "next/form";
import { useRouter } from "next/navigation";
import { useRef, type FormEvent, type ReactNode } from "react";
import { readUnit } from "./massInput";
import { changedHref, intend, latestParams } from "./intent";

interface Props {
  action: string;
  children: ReactNode;
  className?: string;
  /** Parts of the address that the form does not ask for and must not lose. */
  keep?: Record<string, string | undefined>;
  label: string;
  /** A mass parameter that keeps its meaning when the form changes the parameter `unit`. */
  keepMass?: string;
}

/**
 * A question whose answer is this page at another address. Selects ask at once, typed fields when left or at Enter.
 * What the form does not ask for is kept as it is in the address the tab is on its way to; without JavaScript, as it
 * was when the page was made.
 */
export function AskForm({ action, children, className, keep = {}, label, keepMass }: Props) {
  const form = useRef<HTMLFormElement>(null);
  const router = useRouter();

  function ask(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const asked = new FormData(event.currentTarget);
    const change: Record<string, string | null> = {};
    for (const name of new Set(asked.keys())) if (!(name in keep)) change[name] = String(asked.get(name) ?? "");
    const params = latestParams();
    // A mass that does not say its unit means the one it was shown in, also when that changes in the same moment.
    if (keepMass) {
      const unit = readUnit(params.get("unit") ?? undefined);
      for (const [text, put] of [
        [params.get(keepMass), (mass: string) => params.set(keepMass, mass)],
        [change[keepMass], (mass: string) => (change[keepMass] = mass)],
      ] as const)
        if (text && /^[\d.,\s]+$/.test(text)) put(`${text.trim()}${unit}`);
    }
    const next = changedHref(action, params, change);
    intend(next);
    router.replace(next, { scroll: false });
  }

  return (
    <Form
      ref={form}
      action={action}
      replace
      scroll={false}
      role="search"
      aria-label={label}
      className={className}
      onSubmit={ask}
      onChange={({ target }) => isDecided(target) && form.current?.requestSubmit()}
      onBlur={({ target }) => isTypedAnew(target) && form.current?.requestSubmit()}
    >
      {Object.entries(keep).map(
        ([name, value]) => value !== undefined && <input key={name} type="hidden" name={name} value={value} />,
      )}
      {children}
      <button type="submit" className="btn btn-sm btn-neutral sr-only focus:not-sr-only">
        Show
      </button>
    </Form>
  );
}

const isToggle = (target: HTMLInputElement) => target.type === "checkbox" || target.type === "radio";

const isDecided = (target: EventTarget) =>
  target instanceof HTMLSelectElement || (target instanceof HTMLInputElement && isToggle(target));

const isTypedAnew = (target: EventTarget) =>
  target instanceof HTMLInputElement && !isToggle(target) && target.value !== target.defaultValue;
