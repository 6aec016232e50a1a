import Link from "../kit/Link";

const PAGES = [
  ["/match", "The right bar"],
  ["/match/coverage", "Coverage"],
  ["/match/balance", "Balance"],
  ["/match/lifts", "Lifts"],
  ["/match/meetings", "Competition rules"],
] as const;

/** What belongs to matching, one word each. */
export function MatchNav({ here }: { here: (typeof PAGES)[number][0] }) {
  return (
    <nav aria-label="Matching" className="no-print flex flex-wrap gap-x-4 gap-y-1 text-sm">
      {PAGES.map(([href, name]) => (
        <Link
          key={href}
          href={href}
          aria-current={here === href ? "page" : undefined}
          className={`inline-flex min-h-10 items-center ${here === href ? "font-bold underline decoration-2 underline-offset-4" : "hover:underline"}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
