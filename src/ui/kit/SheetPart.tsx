import type { ReactNode } from "react";

/** One part of a page: a sheet with a title, perhaps a sentence about it, and its content. */
export function SheetPart({
  id,
  title,
  about,
  children,
}: {
  id: string;
  title: string;
  about?: string;
  children: ReactNode;
}) {
  return (
    <section className="sheet p-4" aria-labelledby={id}>
      <h2 id={id} className="mb-1 font-bold">
        {title}
      </h2>
      {about && <p className="text-quiet mb-3 text-sm">{about}</p>}
      {children}
    </section>
  );
}
