import { answered } from "@/app/api/_http/touched";
import { requestContext } from "@/server/access";
import { eventStream } from "@/app/api/_http/eventStream";
import { followRun, runOf } from "@/server/loading";

/** The run as it changes, as server-sent events: for tablets that follow it. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const context = { ...(await requestContext()), signal: request.signal };
  const result = await runOf(context, (await params).id);
  if (!result.ok) return answered(result);
  const { row, view } = result;
  return eventStream(request.signal, (send) => {
    const stop = followRun(context, row, send);
    send(view);
    return stop;
  });
}
