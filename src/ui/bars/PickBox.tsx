"use client";

import Link from "../kit/Link";
import { useRouter } from "next/navigation";
import { createContext, startTransition, useContext, useOptimistic, type ReactNode } from "react";
import { MAX_PICKED } from "@/core/bars/wallQuery";

interface Picks {
  picked: readonly string[];
  toggle: (tag: string) => void;
  addressOf: (picked: readonly string[]) => string;
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
  return <PicksContext value={{ picked, toggle, addressOf }}>{children}</PicksContext>;
}

/** The box before a bar: in the comparison or not. */
export function PickBox({ tag }: { tag: string }) {
  const { picked, toggle, addressOf } = useContext(PicksContext)!;
  const isPicked = picked.includes(tag);
  return (
    <Link
      href={addressOf(toggled(picked, tag))}
      replace
      scroll={false}
      role="checkbox"
      aria-checked={isPicked}
      aria-label={`Compare ${tag}`}
      data-pick={tag}
      className="hidden size-6 place-items-center sm:grid"
      onClick={(event) => {
        event.preventDefault();
        toggle(tag);
      }}
    >
      <span className={`size-3.5 border ${isPicked ? "border-primary bg-primary" : "border-faint"}`} />
    </Link>
  );
}

/** With the tag, or without it when it was there; the earliest pick gives way when there are too many. */
function toggled(picked: readonly string[], tag: string): string[] {
  const rest = picked.filter((other) => other !== tag);
  return rest.length < picked.length ? rest : [...rest, tag].slice(-MAX_PICKED);
}
