import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { frameIsOut } from "./frame";

const held = globalThis as { garrisonRequests?: unknown };

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  delete held.garrisonRequests;
});

/** What has been worked out once the frame was out. */
function worked(): string[] {
  const done: string[] = [];
  void frameIsOut().then(() => done.push("page"));
  return done;
}

it("a page is worked out once its frame is on its way", async () => {
  let begin = () => {};
  const begun = new Promise<void>((resolve) => (begin = resolve));
  held.garrisonRequests = { getStore: () => ({ begun }) };
  const done = worked();
  await vi.advanceTimersByTimeAsync(40);
  expect(done).toEqual([]);
  begin();
  await vi.advanceTimersByTimeAsync(0);
  expect(done).toEqual(["page"]);
  expect(vi.getTimerCount()).toBe(0);
});

it("an answer that does not begin by itself is not waited for, and where nobody carries requests there is no waiting", async () => {
  held.garrisonRequests = { getStore: () => ({ begun: new Promise(() => {}) }) };
  const late = worked();
  await vi.advanceTimersByTimeAsync(60);
  expect(late).toEqual(["page"]);
  delete held.garrisonRequests;
  const atOnce = worked();
  await vi.advanceTimersByTimeAsync(0);
  expect(atOnce).toEqual(["page"]);
});
