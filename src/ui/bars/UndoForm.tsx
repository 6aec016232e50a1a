"use client";

import { useActionState } from "react";
import { FormMessage } from "../kit/FormParts";
import { FRESH, type FormAction } from "../kit/formState";

/** Takes the last change of a bar back. */
export function UndoForm({ tag, changeId, action }: { tag: string; changeId: string; action: FormAction }) {
  const [form, send, isPending] = useActionState(action, FRESH);
  return (
    <form action={send} className="no-print flex items-center gap-2">
      <input type="hidden" name="tag" value={tag} />
      <input type="hidden" name="changeId" value={changeId} />
      <FormMessage state={form} />
      <button className="btn btn-sm btn-outline min-h-10" disabled={isPending}>
        Take back
      </button>
    </form>
  );
}
