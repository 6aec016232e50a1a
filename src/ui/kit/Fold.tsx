import type { ReactNode } from "react";

interface Props {
  title: string;
  /** What stands in it, in a few words, for whoever wonders whether to open it. */
  about?: ReactNode;
  isOpen?: boolean;
  id?: string;
  children: ReactNode;
}

/** A part of a page that opens on touch: its title, what is in it, and the part. */
export function Fold({ title, about, isOpen = false, id, children }: Props) {
  return (
    <details className="sheet group min-w-0" id={id} open={isOpen}>
      <summary className="flex min-h-12 cursor-pointer flex-wrap items-center gap-x-3 px-4 py-2">
        <span className="font-bold">{title}</span>
        {about && <span className="text-quiet min-w-0 flex-1 truncate text-sm">{about}</span>}
      </summary>
      {children}
    </details>
  );
}
