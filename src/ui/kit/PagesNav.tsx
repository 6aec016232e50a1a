import type { ReactNode } from "react";
import Link from "./Link";

interface Props {
  /** What the pages belong to, read out. */
  label: string;
  pages: readonly (readonly [to: string, name: string])[];
  here?: string | undefined;
  children?: ReactNode;
}

/** The pages of one section, the one that is open marked. */
export function PagesNav({ label, pages, here, children }: Props) {
  return (
    <nav aria-label={label} className="no-print flex flex-wrap gap-x-4 text-sm">
      {pages.map(([to, name]) => (
        <Link
          key={to}
          href={to}
          aria-current={here === to ? "page" : undefined}
          className={`inline-flex min-h-11 items-center ${here === to ? "font-bold underline decoration-2 underline-offset-4" : "hover:underline"}`}
        >
          {name}
        </Link>
      ))}
      {children}
    </nav>
  );
}
