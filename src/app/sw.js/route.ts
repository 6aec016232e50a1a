import { readFile } from "node:fs/promises";
import { join } from "node:path";

/** Bundled beside the build by scripts/lib/threads.mjs. */
const FILE = ".next/threads/floor.sw.js";

/** The worker that keeps the floor's screens for when the server is away. */
export async function GET(): Promise<Response> {
  const script = await readFile(join(process.cwd(), FILE), "utf8").catch(() => null);
  if (script === null) return new Response("Not built.", { status: 404 });
  return new Response(script, {
    headers: { "content-type": "text/javascript; charset=utf-8", "cache-control": "no-cache" },
  });
}
