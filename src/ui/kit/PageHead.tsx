import type { ReactNode } from "react";

/** Title, one line about it, and what can be done at the right. */
export function PageHead({ title, about, children }: { title: ReactNode; about?: ReactNode; children?: ReactNode }) {
  return (
    <header className="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
      <div className="flex min-w-0 flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl">{title}</h1>
        {about && <p className="text-quiet text-sm">{about}</p>}
      </div>
      {children}
    </header>
  );
}
