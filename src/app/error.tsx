"use client";

/** Something of ours failed: say so, and offer to try again. What was typed elsewhere is untouched. */
export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1 className="mb-2 text-2xl">This page could not be made</h1>
      <p className="mb-4">
        The mistake is on our side, perhaps the database is away for a moment. Nothing was changed by it.
      </p>
      <button className="btn btn-neutral" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
