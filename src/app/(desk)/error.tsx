"use client";

import { ErrorNote } from "@/ui/kit/ErrorNote";

/** Inside the frame, so that the other sections stay one touch away. */
export default function DeskErrorPage({ reset }: { reset: () => void }) {
  return <ErrorNote reset={reset} />;
}
