import { readdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { promisify } from "node:util";
import { brotliCompress, constants, gzip } from "node:zlib";
import { buildThreads } from "./threads.mjs";

const SQUEEZED = /\.(js|css|svg|json|txt)$/;
/** Smaller files travel in one packet anyway. */
const LEAST_BYTES = 1_000;
/** Files under way at a time: the pool of threads that compresses has four. */
const AT_ONCE = 4;

/** Bundles the threads and compresses what browsers fetch, once instead of at every request; scripts/serve.mjs serves it. */
export async function finishBuild(root) {
  await buildThreads(root);
  await compressStatic(join(root, ".next/static"));
}

async function compressStatic(folder) {
  const files = (await readdir(folder, { recursive: true, withFileTypes: true }))
    .filter((file) => file.isFile() && SQUEEZED.test(file.name))
    .map((file) => join(file.parentPath ?? file.path, file.name));
  const squeeze = async () => {
    for (let file = files.pop(); file; file = files.pop()) {
      const bytes = await readFile(file);
      if (bytes.length < LEAST_BYTES) continue;
      const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
      await writeFile(`${file}.br`, await promisify(brotliCompress)(bytes, { params }));
      await writeFile(`${file}.gz`, await promisify(gzip)(bytes, { level: 9 }));
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, squeeze));
}
