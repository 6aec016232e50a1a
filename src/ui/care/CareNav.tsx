import Link from "../kit/Link";

const PAGES = [
  ["/care", "Due"],
  ["/care/rounds", "Round"],
  ["/care/plan", "Plan"],
  ["/care/meters", "Meters"],
  ["/care/air", "Air"],
  ["/care/records", "Records"],
  ["/care/tasks", "Tasks"],
] as const;

/** The pages of care. */
export function CareNav({ here }: { here: (typeof PAGES)[number][0] }) {
  return (
    <nav aria-label="Care" className="no-print flex flex-wrap gap-x-4 text-sm">
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
