import type { ReactNode } from "react";

/** A page before anybody is in: one narrow sheet, one thing to do. */
export function DoorSheet({ title, about, children }: { title: string; about?: ReactNode; children: ReactNode }) {
  return (
    <main className="mx-auto grid w-full max-w-md gap-4 px-4 py-8 sm:py-16">
      <p className="text-lg font-bold tracking-tight" style={{ fontStretch: "115%" }}>
        Garrison
      </p>
      <div className="sheet grid gap-4 p-5">
        <div>
          <h1 className="text-2xl">{title}</h1>
          {about && <p className="text-quiet mt-1 text-sm">{about}</p>}
        </div>
        {children}
      </div>
    </main>
  );
}
