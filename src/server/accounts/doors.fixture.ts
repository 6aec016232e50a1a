import { randomBytes } from "node:crypto";
import { vi } from "vitest";
import { testDatabase } from "@/data/testDatabase.fixture";
import type { Context, Doorstep } from "@/server/access";
import { TEST_NOW } from "@/server/access/context.fixture";
import { entryOfCookie } from "@/server/access/entry";

/* The doorstep of a test: a browser's jar of cookies, an address, a clock that is set. Files that use it mock
 * next/headers with `headersOfTest`. */

/** The browser that asks. */
export const browser = { jar: new Map<string, string>(), at: TEST_NOW };

/** What stands in for next/headers. */
export const headersOfTest = () => ({
  cookies: async () => ({
    get: (name: string) => (browser.jar.has(name) ? { value: browser.jar.get(name) } : undefined),
    set: (name: string, value: string) => void browser.jar.set(name, value),
    delete: ({ name }: { name: string }) => void browser.jar.delete(name),
  }),
  headers: async () => new Headers(),
});

/** A place of a test's own, so that what is counted by address is not another test's. */
export const freshAddress = () => `test-${randomBytes(6).toString("hex")}`;

/** The doorstep at the moment that `browser` is at. */
export function testStep(more: Partial<Doorstep> = {}): Doorstep {
  const quiet = { debug: vi.fn(), info: vi.fn(), warn: vi.fn(), error: vi.fn(), child: vi.fn() };
  return {
    db: testDatabase(),
    now: () => browser.at,
    address: freshAddress(),
    agent: "a test's browser",
    publicUrl: "https://bars.example",
    origin: "https://bars.example",
    mail: null,
    demoCode: null,
    log: quiet as unknown as Doorstep["log"],
    ...more,
  };
}

/** The key that the browser has. */
export const keyOf = () => browser.jar.get("garrison");

/** Whom the browser's key lets in, at a path. */
export const letIn = (path: string | null = "/bars") => entryOfCookie(keyOf(), path, browser.at);

/** A context of a hall, as the one whom the browser's key lets in. */
export async function contextOfBrowser(like: Context, path: string | null = "/bars"): Promise<Context> {
  const entry = await letIn(path);
  if (!entry) throw new Error("nobody is let in");
  return { ...like, ...entry, clock: { now: () => browser.at, today: like.clock.today } };
}
