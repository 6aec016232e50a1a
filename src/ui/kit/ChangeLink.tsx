"use client";

import { usePathname, useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { readMass, readUnit } from "./massInput";
import { changedHref, intend, latestParams } from "./intent";
import Link from "./Link";

interface Props {
  /** Where it leads without JavaScript, and what it shows when hovered. */
  href: string;
  /** Parameters of the address to change; null takes one away. */
  change?: Record<string, string | null>;
  /** A mass parameter to add to, in the unit of the address. */
  nudge?: { name: string; by: number };
  className?: string;
  title?: string;
  label?: string;
  /** One of several, and the one that holds. */
  isCurrent?: boolean;
  children: ReactNode;
}

/** Changes a part of the address, on top of whatever change is still on its way. */
export function ChangeLink({ href, change = {}, nudge, className, title, label, isCurrent, children }: Props) {
  const router = useRouter();
  const path = usePathname();
  return (
    <Link
      href={href}
      replace
      scroll={false}
      className={className}
      title={title}
      aria-label={label}
      aria-current={isCurrent ? "true" : undefined}
      onClick={(event) => {
        if (event.metaKey || event.ctrlKey || event.shiftKey) return;
        event.preventDefault();
        const params = latestParams();
        const whole = nudge ? { ...change, [nudge.name]: nudged(params, nudge, href) } : change;
        const next = changedHref(path, params, whole);
        intend(next);
        router.replace(next, { scroll: false });
      }}
    >
      {children}
    </Link>
  );
}

/** The mass in the address and something added; where the address names none, what the link itself says. */
function nudged(params: URLSearchParams, { name, by }: { name: string; by: number }, href: string): string {
  const unit = readUnit(params.get("unit") ?? undefined);
  const mass = readMass(params.get(name) ?? undefined, unit);
  if (!mass) return new URL(href, window.location.href).searchParams.get(name) ?? "";
  return `${Math.max(0, Math.round((Number(mass.typed) + by) * 1000) / 1000)}${unit}`;
}
