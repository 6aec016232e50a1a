"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/** Takes the last change of a bar back. */
export function UndoForm({ tag, changeId, action }: { tag: string; changeId: string; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="no-print flex items-center gap-2">
      <input type="hidden" name="tag" value={tag} />
      <input type="hidden" name="changeId" value={changeId} />
      <FormMessage state={form} />
      <button className="btn btn-sm btn-outline" disabled={isPending}>
        Undo
      </button>
    </form>
  );
}
