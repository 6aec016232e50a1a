import { mkdirSync } from "node:fs";
import { dirname, join } from "node:path";

/** Where the server looks for its threads' code; src/server/computing/threads.ts names the same place. */
export const THREAD_FILE = ".next/threads/compute.cjs";

/** The same for papers; src/server/computing/papers.ts. */
export const PAPERS_FILE = ".next/threads/papers.mjs";

/** The worker of the floor’s screens in browsers; src/app/sw.js/route.ts. */
export const FLOOR_FILE = ".next/threads/floor.sw.js";

/** Bundles what runs in server threads: one file without packages for what computes, one beside its packages for papers. */
export async function buildThreads(root) {
  const { build, stop } = await import("esbuild");
  mkdirSync(dirname(join(root, THREAD_FILE)), { recursive: true });
  const options = {
    ...{ bundle: true, platform: "node", target: "node20" },
    ...{ tsconfig: join(root, "tsconfig.json"), logLevel: "error" },
  };
  await build({
    ...options,
    entryPoints: [join(root, "src/workers/compute.thread.ts")],
    outfile: join(root, THREAD_FILE),
    format: "cjs",
    footer: { js: "module.exports = module.exports.default;" },
  });
  await build({
    ...options,
    entryPoints: [join(root, "src/workers/papers.thread.ts")],
    outfile: join(root, PAPERS_FILE),
    format: "esm",
    jsx: "automatic",
    // The renderer reads files of its own packages; it stays where it is installed.
    packages: "external",
    alias: { "@": join(root, "src") },
  });
  await build({
    ...options,
    entryPoints: [join(root, "src/workers/floor.sw.ts")],
    outfile: join(root, FLOOR_FILE),
    ...{ format: "iife", platform: "browser", target: "es2022", minify: true },
    define: { "process.env.NODE_ENV": '"production"' },
  });
  // It keeps a process of its own for the next build; there is none.
  await stop();
}
