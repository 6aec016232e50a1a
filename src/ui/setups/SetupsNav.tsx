import Link from "../kit/Link";

const PAGES = [
  ["/setups", "Bars that adjust"],
  ["/setups/storage", "Where bars hang"],
] as const;

/** What belongs to setups. */
export function SetupsNav({ here }: { here?: string }) {
  return (
    <nav aria-label="Setups" className="no-print flex flex-wrap gap-x-4 gap-y-1 text-sm">
      {PAGES.map(([to, name]) => (
        <Link
          key={to}
          href={to}
          aria-current={here === to ? "page" : undefined}
          className={`inline-flex min-h-10 items-center ${here === to ? "font-bold underline decoration-2 underline-offset-4" : "hover:underline"}`}
        >
          {name}
        </Link>
      ))}
      <a href="/setups/cards.pdf" className="inline-flex min-h-10 items-center hover:underline">
        All cards as PDF
      </a>
    </nav>
  );
}
