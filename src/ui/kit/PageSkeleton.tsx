/** Where a page will stand: its head and some sheets, as long as a window at least, so that nothing below moves. */
export function PageSkeleton() {
  return (
    <div role="status" aria-busy="true" aria-label="Loading" className="min-h-screen motion-safe:animate-pulse">
      <div className="bg-base-300 h-9 w-40" />
      <div className="sheet mt-6 h-28 w-full" />
      <div className="sheet mt-3 h-64 w-full" />
    </div>
  );
}
