import "server-only";
import { carriedRequest } from "@/data/carriedRequest";

/** An answer that has not begun by then never will before its end: what it waits for goes on. */
const MAX_WAIT_MS = 50;

/**
 * Waits until the frame of the page that is being answered is on its way, so that what is worked out for the page does
 * not hold back what stands around it. At once where nobody carries the request, as in tests.
 */
export async function frameIsOut(): Promise<void> {
  const carried = carriedRequest();
  if (!carried) return;
  let timer: NodeJS.Timeout | undefined;
  await Promise.race([carried.begun, new Promise((done) => (timer = setTimeout(done, MAX_WAIT_MS)))]);
  clearTimeout(timer);
}
