import Link from "../kit/Link";

const PAGES = [
  ["/load", "One load"],
  ["/load/session", "Ladders and sessions"],
] as const;

/** One load, or all sets of a session on one bar. */
export function LoadNav({ here }: { here: (typeof PAGES)[number][0] }) {
  return (
    <nav aria-label="Loading" className="no-print flex flex-wrap gap-x-4 text-sm">
      {PAGES.map(([to, name]) => (
        <Link
          key={to}
          href={to}
          aria-current={here === to ? "page" : undefined}
          className={`inline-flex min-h-11 items-center ${here === to ? "font-bold underline decoration-2 underline-offset-4" : "hover:underline"}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
