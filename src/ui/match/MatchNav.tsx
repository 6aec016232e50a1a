import Link from "../kit/Link";
import { href } from "../kit/search";

const PAGES = [
  ["/match", "The right bar"],
  ["/match/coverage", "Coverage"],
  ["/match/balance", "Balance"],
  ["/match/lifts", "Lifts"],
  ["/match/meetings", "Competition rules"],
] as const;

/** What belongs to matching, one word each. */
export function MatchNav({
  here,
  balance = {},
}: {
  here: (typeof PAGES)[number][0];
  /** What Balance starts with: lifter, load, bar. */
  balance?: Record<string, string | undefined>;
}) {
  return (
    <nav aria-label="Matching" className="no-print flex flex-wrap gap-x-4 gap-y-1 text-sm">
      {PAGES.map(([path, name]) => (
        <Link
          key={path}
          href={path === "/match/balance" ? href(path, balance) : path}
          aria-current={here === path ? "page" : undefined}
          className={`inline-flex min-h-10 items-center ${here === path ? "font-bold underline decoration-2 underline-offset-4" : "hover:underline"}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
