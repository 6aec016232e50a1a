"use client";

import { ArrowDown, ArrowUp } from "lucide-react";
import { useState } from "react";
import { STEADY_NAMES, type SteadyKind } from "@/core/comparing/steadiness";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  order: readonly SteadyKind[];
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** The order in which kinds of bars feel steady here, moved up and down by buttons. */
export function SteadinessForm({ order, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const [kinds, setKinds] = useState(order);
  const move = (i: number, by: -1 | 1) =>
    setKinds((now) => {
      const next = [...now];
      [next[i], next[i + by]] = [next[i + by]!, next[i]!];
      return next;
    });
  return (
    <form action={send} className="grid gap-2">
      <input type="hidden" name="version" value={form.version ?? version} />
      <ol className="grid max-w-md gap-1">
        {kinds.map((kind, i) => (
          <li key={kind} className="border-base-300 flex min-h-11 items-center gap-2 border px-3">
            <input type="hidden" name="kind" value={kind} />
            <span className="text-quiet w-5 tabular-nums">{i + 1}</span>
            <span className="flex-1">{STEADY_NAMES[kind]}</span>
            {mayEdit && (
              <>
                <button
                  type="button"
                  className="btn btn-ghost btn-square btn-sm min-w-11"
                  disabled={i === 0}
                  aria-label={`${STEADY_NAMES[kind]}: steadier`}
                  onClick={() => move(i, -1)}
                >
                  <ArrowUp aria-hidden="true" className="size-4" />
                </button>
                <button
                  type="button"
                  className="btn btn-ghost btn-square btn-sm min-w-11"
                  disabled={i === kinds.length - 1}
                  aria-label={`${STEADY_NAMES[kind]}: less steady`}
                  onClick={() => move(i, 1)}
                >
                  <ArrowDown aria-hidden="true" className="size-4" />
                </button>
              </>
            )}
          </li>
        ))}
      </ol>
      <FormProblems form={form} />
      {mayEdit && (
        <div className="flex items-center gap-3">
          <button className="btn btn-neutral" disabled={isPending}>
            Save
          </button>
          <FormMessage state={form} />
        </div>
      )}
    </form>
  );
}
