"use client";

import { useRouter } from "next/navigation";
import { createContext, startTransition, useContext, useOptimistic, type ReactNode } from "react";
import { MAX_PICKED } from "@/core/bars/wallQuery";

interface Picks {
  picked: readonly string[];
  toggle: (tag: string) => void;
}

const PicksContext = createContext<Picks | null>(null);

/** Bars picked for comparison. A pick shows at once and the address follows, so two quick picks are both kept. */
export function PicksProvider({
  picked: saved,
  address,
  children,
}: {
  picked: readonly string[];
  address: string;
  children: ReactNode;
}) {
  const router = useRouter();
  const [picked, showPicked] = useOptimistic(saved);
  const addressOf = (tags: readonly string[]) =>
    tags.length === 0
      ? address
      : `${address}${address.includes("?") ? "&" : "?"}pick=${tags.map(encodeURIComponent).join(",")}`;
  const toggle = (tag: string) =>
    startTransition(() => {
      const next = toggled(picked, tag);
      showPicked(next);
      router.replace(addressOf(next), { scroll: false });
    });
  return <PicksContext value={{ picked, toggle }}>{children}</PicksContext>;
}

/** The box before a bar: in the comparison or not. */
export function PickBox({ tag }: { tag: string }) {
  const { picked, toggle } = useContext(PicksContext)!;
  return (
    <label className="grid size-11 shrink-0 cursor-pointer place-items-center md:size-6">
      <input
        type="checkbox"
        checked={picked.includes(tag)}
        onChange={() => toggle(tag)}
        aria-label={`Compare ${tag}`}
        data-pick={tag}
        className="checkbox checkbox-primary size-4.5 rounded-none md:size-3.5"
      />
    </label>
  );
}

/** With the tag, or without it when it was there; the earliest pick gives way when there are too many. */
function toggled(picked: readonly string[], tag: string): string[] {
  const rest = picked.filter((other) => other !== tag);
  return rest.length < picked.length ? rest : [...rest, tag].slice(-MAX_PICKED);
}
