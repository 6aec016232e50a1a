"use client";

/** Prints the page as it stands. */
export function PrintButton() {
  return (
    <button type="button" className="btn btn-sm btn-neutral" onClick={() => window.print()}>
      Print
    </button>
  );
}
