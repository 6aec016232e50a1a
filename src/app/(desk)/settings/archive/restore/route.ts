import { answer, bytesUpTo, failure, refusalOf, refuse } from "@/app/api/_http/endpoint";
import { MAX_FILE_BYTES, readFileInThread } from "@/app/api/_http/readFile";
import { type Context, doorstepOfProgram, may, requestContextOf } from "@/server/access";
import { secondsUntilAllowed, waitWords } from "@/server/accounts";
import { forbidden } from "@/server/kit";
import { restoreArchive } from "@/server/transfer";
import { version } from "../../../../../../package.json";

/** Takes a sealed archive into an empty hall; its passphrase comes in a header, base64url of UTF-8. */
export async function POST(request: Request) {
  let context: Context | undefined;
  try {
    context = await requestContextOf(request);
    const asker = context;
    if (!may(asker, "hall.archive")) return answer(refusalOf(forbidden("restore an archive")));
    if (request.headers.get("content-type") !== "application/octet-stream")
      return answer(refuse("unsupported-media-type", "Send the archive as application/octet-stream."));
    const wait = await secondsUntilAllowed(doorstepOfProgram().db, "upload", asker.actor.hallId);
    if (wait !== null) return answer(refuse("too-many-requests", waitWords(wait)), { "Retry-After": String(wait) });
    const body = await bytesUpTo(request, MAX_FILE_BYTES, "The file is longer than 64 MiB.");
    if (!body.ok) return answer(body.refusal);
    const passphrase = Buffer.from(request.headers.get("x-archive-passphrase") ?? "", "base64url").toString("utf8");
    const result = await restoreArchive(asker, Buffer.from(body.value), {
      passphrase,
      version,
      read: (text) => readFileInThread(asker, "json", new TextEncoder().encode(text)),
    });
    return result.ok ? answer({ body: result }) : answer(refusalOf(result));
  } catch (error) {
    return failure(error, context);
  }
}
