"use client";

import Link from "./Link";
import { usePathname } from "next/navigation";
import { SECTIONS } from "./sections";

/** Whoever lifts and works nothing here has a page of their own, and what helps to choose and load a bar. */
const OWN_PAGE = { key: "me", name: "You", href: "/me" };
const LIFTERS_SECTIONS: readonly string[] = ["bars", "compare", "match", "load", "help", "settings"];

/** Links to the sections, the current one marked, with how much waits in each. */
export function NavLinks({ counts, role }: { counts: Partial<Record<string, number>>; role: string }) {
  const path = usePathname();
  const buys = role === "owner" || role === "manager";
  const reads = buys || role === "coach";
  const sections =
    role === "lifter"
      ? [OWN_PAGE, ...SECTIONS.filter(({ key }) => LIFTERS_SECTIONS.includes(key))]
      : SECTIONS.filter(({ key }) => (key !== "buy" || buys) && (key !== "logbook" || reads));
  return sections.map(({ key, name, href }) => {
    const isHere = href === "/" ? path === "/" : path === href || path.startsWith(`${href}/`);
    const count = counts[key];
    return (
      <Link
        key={key}
        href={href}
        aria-current={isHere ? "page" : undefined}
        className={`flex min-h-11 items-center justify-between border-l-3 px-4 text-sm lg:min-h-9 ${key === "help" ? "lg:mt-auto" : ""} ${isHere ? "border-primary bg-base-100 font-semibold" : "text-quiet hover:text-base-content border-transparent"}`}
      >
        {name}
        {count ? (
          <span className="text-accent text-xs font-bold">
            {count}
            <span className="sr-only"> waiting</span>
          </span>
        ) : null}
      </Link>
    );
  });
}
