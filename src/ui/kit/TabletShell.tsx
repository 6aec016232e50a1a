import type { ReactNode } from "react";
import Link from "./Link";
import { FloorKeeper } from "./FloorKeeper";
import { OutboxMark } from "./OutboxMark";

interface Props {
  actor: { personId: string; name: string };
  hallName: string;
  isDemo: boolean;
  /** Where the tablet begins. */
  home: string;
  children: ReactNode;
}

/** A paired tablet: its one screen, and nothing that leads elsewhere. */
export function TabletShell({ actor, hallName, isDemo, home, children }: Props) {
  return (
    <div data-person={actor.personId} data-person-name={actor.name}>
      <header className="no-print border-base-300 flex flex-wrap items-center justify-between gap-x-4 border-b px-4 text-sm">
        <Link href={home} className="inline-flex min-h-11 items-center font-semibold">
          {actor.name}
        </Link>
        <span className="text-quiet">
          {hallName}
          {isDemo && <span className="text-warning ml-2 font-semibold">Demonstration: all made up</span>}
        </span>
      </header>
      <main id="sheet" className="mx-auto w-full max-w-[1600px] px-4 py-4">
        {children}
      </main>
      <OutboxMark key={actor.personId} />
      <FloorKeeper />
    </div>
  );
}
