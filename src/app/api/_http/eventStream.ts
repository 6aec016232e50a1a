import "server-only";

/** A word now and then, so that whatever stands between does not take the line for dead. */
const HEARTBEAT_MS = 15_000;
/** Then the reader asks anew, and who they are and what they may is looked at again. */
const LONGEST_MS = 5 * 60_000;

/** Lines that are open; whoever stops the program ends them. */
const held = globalThis as typeof globalThis & { garrisonLines?: Set<() => void>; garrisonHush?: () => void };
const open = (held.garrisonLines ??= new Set());
held.garrisonHush = () => {
  for (const end of [...open]) end();
};

/**
 * A line of server-sent events, each a piece of JSON.
 *
 * @param begin is given how to send, and answers how to stop.
 */
export function eventStream(signal: AbortSignal, begin: (send: (event: unknown) => void) => () => void): Response {
  const encoder = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (text: string) => controller.enqueue(encoder.encode(text));
      const stop = begin((event) => write(`data: ${JSON.stringify(event)}\n\n`));
      const heartbeat = setInterval(() => write("event: here\ndata: {}\n\n"), HEARTBEAT_MS);
      const longest = setTimeout(() => end(), LONGEST_MS);
      end = () => {
        if (!open.delete(end)) return;
        stop();
        clearInterval(heartbeat);
        clearTimeout(longest);
        signal.removeEventListener("abort", end);
        try {
          controller.close();
        } catch {
          // The reader closed it already.
        }
      };
      open.add(end);
      signal.addEventListener("abort", end, { once: true });
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: {
      "Content-Type": "text/event-stream; charset=utf-8",
      // Nothing between may keep it back to pack or to store it.
      "Cache-Control": "no-store, no-transform",
      "X-Accel-Buffering": "no",
    },
  });
}
