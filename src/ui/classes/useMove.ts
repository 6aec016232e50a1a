"use client";

import { startTransition, useState } from "react";
import type { MoveCost } from "@/server/classes";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/** A person or a bar on its way to a station and block (from 0). */
export type Put = ({ entryId: string } | { tag: string }) & { block: number; station: string };

/** What is chosen on the board. */
export type Chosen = { entryId: string } | { tag: string; block: number; station: string };

/** Moving on the board: what is chosen, where it is asked about, and what that costs. */
export function useMove(classId: string, action: FormAction) {
  const [form, send, isPending] = useFormAction(action);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [put, setPut] = useState<Put | null>(null);
  const ask = (to: Put, isMove: boolean) => {
    const body = new FormData();
    for (const [name, value] of Object.entries({ classId, ...to, isMove: isMove ? "1" : "" }))
      body.set(name, String(value));
    startTransition(() => send(body));
  };
  // An answer belongs to what was asked last; a new choice has none yet.
  const isMoved = form.status === "done" && form.typed.isMove === "1";
  const cost = put && form.status === "done" && !isMoved ? (JSON.parse(form.typed.cost!) as MoveCost) : null;
  return {
    ...{ form, isPending, chosen, put, cost, isMoved },
    choose: (next: Chosen | null) => {
      setChosen(next);
      setPut(null);
    },
    weigh: (next: Chosen, to: Put) => {
      setChosen(next);
      setPut(to);
      ask(to, false);
    },
    move: () => {
      if (!put) return;
      ask(put, true);
      setPut(null);
    },
    cancel: () => setPut(null),
  };
}
