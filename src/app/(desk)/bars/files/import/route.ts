import { incomingFile, MAX_CARE, type IncomingFile } from "@/api/hallFile";
import { checked } from "@/api/problems";
import { importHall } from "@/server/transfer";
import { requestContext } from "@/server/access";

/**
 * Takes rows in from the page of files: one JSON object a line, first how far it is, last the outcome. A page that goes
 * away does not stop the work halfway: it is all done, or nothing.
 */
export async function POST(request: Request) {
  const context = await requestContext();
  const sent = await request.json().catch(() => null);
  const result = checked(incomingFile, sent, { longestList: MAX_CARE });
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
      try {
        if (!result.ok)
          tell({ outcome: { ok: false, message: "The file could not be understood.", problems: result.problems } });
        else {
          const { rows, isDryRun, token, ...more } = result.value as IncomingFile;
          const onProgress = (done: number, of: number) => tell({ done, of });
          tell({ outcome: await importHall(context, { bars: rows, ...more }, { isDryRun, token, onProgress }) });
        }
      } catch (error) {
        context.log.error({ err: error }, "import failed");
        tell({
          outcome: { ok: false, message: "Something went wrong on our side; nothing was taken in.", problems: [] },
        });
      }
      controller.close();
    },
  });
  return new Response(body, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" } });
}
