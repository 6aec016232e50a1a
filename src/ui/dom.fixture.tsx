import "fake-indexeddb/auto";
import { cleanup, configure } from "@testing-library/react";
import { afterEach, beforeEach, vi } from "vitest";
import { sendUnsent, unsentOf } from "./kit/outbox";

/* A screen in a document that can be touched: for `@vitest-environment jsdom`. Layout and networks are for the browser. */

// The library's own second is nothing on a busy machine.
configure({ asyncUtilTimeout: 20_000, defaultHidden: true });

const page = vi.hoisted(() => ({ went: [] as string[], refreshed: 0, path: "/" }));

vi.mock("next/navigation", () => {
  // One router, as in the browser: a new one each time would run effects that depend on it anew.
  const router = {
    push: (to: string) => void page.went.push(to),
    replace: (to: string) => void page.went.push(to),
    refresh: () => void (page.refreshed += 1),
    prefetch: () => {},
  };
  return {
    unstable_rethrow: () => {},
    useRouter: () => router,
    usePathname: () => page.path,
    useSearchParams: () => new URLSearchParams(),
  };
});

/** Where the screen went since the test began, and how often it asked for its page again. */
export const visits = page;

/** What the server of a test answers; undefined is a line that is cut. */
export type Server = (url: string, body: unknown) => { status: number; body?: unknown } | undefined;

/** Everything that was sent in this test, the first first. */
export const sent: { url: string; body: Record<string, unknown> }[] = [];
let server: Server = () => ({ status: 200, body: {} });

/** From now on the server answers so. */
export function serve(next: Server): void {
  server = next;
}

beforeEach(() => {
  page.went.length = 0;
  page.refreshed = 0;
  page.path = "/";
  sent.length = 0;
  server = () => ({ status: 200, body: {} });
  sessionStorage.clear();
  vi.stubGlobal("fetch", async (url: string, options?: { body?: string }) => {
    const body = options?.body === undefined ? {} : (JSON.parse(options.body) as Record<string, unknown>);
    if (options?.body !== undefined) sent.push({ url, body });
    const answer = server(url, body);
    if (!answer) throw new TypeError("Failed to fetch");
    const text = typeof answer.body === "string" ? answer.body : JSON.stringify(answer.body ?? {});
    return new Response(text, { status: answer.status });
  });
});

afterEach(async () => {
  cleanup();
  // What a test left on its way is sent before the next begins, which would count it as its own.
  server = () => ({ status: 200, body: {} });
  for (let i = 0; i < 50; i += 1) {
    await sendUnsent();
    if ((await unsentOf()).length === 0) break;
  }
  vi.unstubAllGlobals();
});
