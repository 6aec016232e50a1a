/** Next calls this once when a server starts. The clock needs Node and a database, so not in a build and not elsewhere. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs" || !process.env.DATABASE_URL) return;
  const { startProgram } = await import("./server/upkeep");
  // Whoever carries the requests lets them end and then calls this; see scripts/serve.mjs.
  (globalThis as { garrisonStop?: () => Promise<void> }).garrisonStop = startProgram();
}
