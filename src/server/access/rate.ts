import "server-only";

/** What one token may ask in a minute (contract). */
const MAX_A_MINUTE = 3_000;
const MINUTE_MS = 60_000;
/** Tokens that are counted at once; the oldest windows are forgotten first. */
const MAX_COUNTED = 10_000;

const windows = new Map<string, { since: number; asked: number }>();

/**
 * Counts one request of an asker within this copy of the program.
 *
 * @param nowMs the moment, in ms since 1970.
 * @returns seconds until it may ask again, or null when it may now
 */
export function secondsToWait(asker: string, nowMs: number): number | null {
  const window = windows.get(asker);
  if (!window || nowMs - window.since >= MINUTE_MS || nowMs < window.since) {
    windows.delete(asker);
    windows.set(asker, { since: nowMs, asked: 1 });
    if (windows.size > MAX_COUNTED) windows.delete(windows.keys().next().value!);
    return null;
  }
  window.asked += 1;
  return window.asked > MAX_A_MINUTE ? Math.ceil((window.since + MINUTE_MS - nowMs) / 1000) : null;
}
