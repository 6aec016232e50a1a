import { mkdirSync } from "node:fs";
import { dirname, join } from "node:path";

/** Where the server looks for its threads' code; src/server/computing/threads.ts names the same place. */
export const THREAD_FILE = ".next/threads/compute.cjs";

/** Bundles what runs in server threads: one file, without packages. */
export async function buildThreads(root) {
  const { build, stop } = await import("esbuild");
  const outfile = join(root, THREAD_FILE);
  mkdirSync(dirname(outfile), { recursive: true });
  await build({
    entryPoints: [join(root, "src/workers/compute.thread.ts")],
    outfile,
    bundle: true,
    platform: "node",
    format: "cjs",
    target: "node20",
    tsconfig: join(root, "tsconfig.json"),
    footer: { js: "module.exports = module.exports.default;" },
    logLevel: "error",
  });
  // It keeps a process of its own for the next build; there is none.
  await stop();
}
