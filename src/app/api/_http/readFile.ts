import "server-only";
import type { ReadUpload, UploadKind } from "@/api/upload";
import type { Context } from "@/server/access";
import { compute } from "@/server/computing";

/** Files are at most this long. */
export const MAX_FILE_BYTES = 64 * 1024 * 1024;
/** A file of the greatest length is read in less. */
const READ_MS = 60_000;

/** Reads a file beside the server's own thread; one at a time in all, since each takes memory of its size many times. */
export function readFileInThread({ signal }: Context, kind: UploadKind, bytes: Uint8Array): Promise<ReadUpload> {
  return compute({ asker: "files", signal }, "upload", { kind, bytes }, { ms: READ_MS });
}
