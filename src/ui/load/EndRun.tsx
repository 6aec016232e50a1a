"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

export function End({ id, action, word, isMain }: { id: string; action: FormAction; word: string; isMain?: boolean }) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="flex flex-wrap items-center gap-3">
      <input type="hidden" name="id" value={id} />
      <button type="submit" disabled={isPending} className={`btn min-h-14 ${isMain ? "btn-neutral" : "btn-ghost"}`}>
        {word}
      </button>
      <FormMessage state={form} />
    </form>
  );
}
