/** Next calls this once when a server starts. The clock needs Node and a database, so not in a build and not elsewhere. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs" || !process.env.DATABASE_URL) return;
  const { startClock } = await import("./server/upkeep");
  startClock();
}
