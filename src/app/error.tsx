"use client";

import { ErrorNote } from "@/ui/kit/ErrorNote";

export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <main>
      <ErrorNote reset={reset} />
    </main>
  );
}
