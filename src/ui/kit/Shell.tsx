import Link from "./Link";
import { Suspense, type ReactNode } from "react";
import { Arrival } from "./Arrival";
import { FloorKeeper } from "./FloorKeeper";
import { Keyboard } from "./Keyboard";
import { OutboxMark } from "./OutboxMark";
import { NavLinks } from "./NavLinks";

interface Props {
  hallName: string;
  /** A demonstration says so on every page. */
  isDemo: boolean;
  actor: { personId: string; name: string; role: string };
  counts: Partial<Record<string, number>>;
  children: ReactNode;
}

/** The desk: sections at the left (behind a button on narrow screens), the sheet at the right. */
export function Shell({ hallName, isDemo, actor, counts, children }: Props) {
  return (
    <div
      data-person={actor.personId}
      data-person-name={actor.name}
      className="lg:grid lg:min-h-screen lg:grid-cols-[8.25rem_minmax(0,1fr)]"
    >
      <a href="#sheet" className="btn btn-sm sr-only focus:not-sr-only focus:absolute focus:z-10">
        Skip to the sheet
      </a>
      <div className="no-print border-base-300 relative flex items-center justify-between border-b px-4 py-1 lg:sticky lg:top-0 lg:h-screen lg:flex-col lg:items-stretch lg:justify-start lg:border-r lg:border-b-0 lg:p-0">
        <Link
          href="/"
          className="py-2 text-lg font-bold tracking-tight lg:px-4 lg:py-4"
          style={{ fontStretch: "115%" }}
        >
          Garrison
        </Link>
        {isDemo && <span className="text-warning text-xs font-semibold lg:hidden">Demonstration</span>}
        <details className="peer lg:hidden">
          <summary className="btn btn-ghost list-none">Menu</summary>
        </details>
        {/* One for both: beside the page on a desk, under the button on a telephone. */}
        <nav
          aria-label="Sections"
          className="max-lg:border-base-300 max-lg:bg-base-100 hidden peer-open:block max-lg:absolute max-lg:top-full max-lg:right-4 max-lg:z-20 max-lg:w-48 max-lg:border max-lg:shadow-lg lg:flex! lg:grow lg:flex-col"
        >
          <NavLinks counts={counts} role={actor.role} />
        </nav>
        <Link
          href={actor.role === "lifter" ? "/me" : "/settings"}
          className="text-quiet hover:text-base-content hidden px-4 py-3 text-xs leading-snug lg:block"
        >
          <span className="block font-semibold">{actor.name}</span>
          <span className="block">{actor.role}</span>
          <span className="mt-1 block">{hallName}</span>
          {isDemo && <span className="text-warning mt-1 block font-semibold">Demonstration: all made up</span>}
        </Link>
      </div>
      <main id="sheet" className="mx-auto w-full max-w-[1600px] px-4 py-4 lg:px-5">
        {children}
      </main>
      <Keyboard />
      <FloorKeeper />
      <OutboxMark key={actor.personId} />
      <Suspense>
        <Arrival />
      </Suspense>
    </div>
  );
}
