"use client";

/** Something of ours failed: say so, and offer to try again. What was typed elsewhere is untouched. */
export function ErrorNote({ reset }: { reset: () => void }) {
  return (
    <div className="mx-auto max-w-xl p-8">
      <h1 className="mb-2 text-2xl">This page could not be shown</h1>
      <p className="mb-4">
        Something went wrong on our side; the database may be away for a moment. Nothing was changed.
      </p>
      <button className="btn btn-neutral" onClick={reset}>
        Try again
      </button>
    </div>
  );
}
