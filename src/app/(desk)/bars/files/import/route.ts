import { bytesUpTo, failure, refusalOf, refuse } from "@/app/api/_http/endpoint";
import { MAX_FILE_BYTES, readFileInThread } from "@/app/api/_http/readFile";
import { answer } from "@/app/api/_http/endpoint";
import { type Context, doorstepOfProgram, may, requestContextOf } from "@/server/access";
import { secondsUntilAllowed, waitWords } from "@/server/accounts";
import { forbidden } from "@/server/kit";
import { importHall } from "@/server/transfer";

/**
 * Takes rows in from the page of files: one JSON object a line, first how far it is, last the outcome. When the page goes
 * away the work ends, and nothing of it was done.
 */
export async function POST(request: Request) {
  let context: Context | undefined;
  try {
    context = await requestContextOf(request);
    if (!may(context, "hall.import")) return answer(refusalOf(forbidden("import files")));
    if (!/^application\/json\s*(;|$)/i.test(request.headers.get("content-type") ?? ""))
      return answer(refuse("unsupported-media-type", "Send the rows as application/json."));
    const wait = await secondsUntilAllowed(doorstepOfProgram().db, "upload", context.actor.hallId);
    if (wait !== null) return answer(refuse("too-many-requests", waitWords(wait)), { "Retry-After": String(wait) });
    const body = await bytesUpTo(request, MAX_FILE_BYTES, "The file is longer than 64 MiB.");
    if (!body.ok) return answer(body.refusal);
    const read = await readFileInThread(context, "rows", body.value);
    if (!read.ok)
      return lines(() =>
        Promise.resolve({ ok: false, message: "The file could not be understood.", problems: read.problems }),
      );
    const { file, isDryRun = true, token } = read;
    const inside = context;
    return lines((tell) =>
      importHall(inside, file, { isDryRun, token, onProgress: (done, of) => tell({ done, of }) }).catch((error) => {
        if (!inside.signal.aborted) inside.log.error({ err: error }, "import failed");
        return { ok: false, message: "Something went wrong on our side. Nothing imported.", problems: [] };
      }),
    );
  } catch (error) {
    return failure(error, context);
  }
}

/** What work tells on its way, a line each, and last what came of it. */
function lines(work: (tell: (value: unknown) => void) => Promise<unknown>): Response {
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const tell = (value: unknown) => {
        try {
          controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
        } catch {
          // Nobody listens any more.
        }
      };
      tell({ outcome: await work(tell) });
      try {
        controller.close();
      } catch {
        // Nobody listens any more.
      }
    },
  });
  return new Response(body, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" } });
}
