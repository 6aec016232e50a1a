import { describe, expect, it } from "vitest";
import { TooBusy } from "./busy";
import { FairQueue } from "./queue";

/** Work that ends when it is told to. */
function piece() {
  let end!: () => void;
  const done = new Promise<void>((resolve) => (end = resolve));
  return { work: () => done, end };
}
const never = new AbortController().signal;
const settled = () => new Promise((resolve) => setImmediate(resolve));

describe("the queue of what is computed", () => {
  it("runs one at once for a session, and another's meanwhile", async () => {
    const queue = new FairQueue(4, 8);
    const started: string[] = [];
    const pieces = ["a1", "a2", "b1"].map((name) => ({ name, ...piece() }));
    const all = pieces.map(({ name, work }) =>
      queue.run(name[0]!, 1, never, () => {
        started.push(name);
        return work();
      }),
    );
    await settled();
    expect(started).toEqual(["a1", "b1"]);
    pieces[0]!.end();
    await settled();
    expect(started).toEqual(["a1", "b1", "a2"]);
    for (const { end } of pieces) end();
    await Promise.all(all);
  });
  it("turns away what is beyond its length, and says when to come back", async () => {
    const queue = new FairQueue(1, 2);
    const { work, end } = piece();
    const held = [1, 2, 3].map(() => queue.run("a", 4, never, work));
    await expect(queue.run("b", 4, never, work)).rejects.toThrow(TooBusy);
    expect(new TooBusy().retryAfterSeconds).toBeGreaterThan(0);
    end();
    await Promise.all(held);
    await expect(queue.run("b", 4, never, async () => 7)).resolves.toBe(7);
  });
  it("gives up the place of an asker who has gone, and never starts their work", async () => {
    const queue = new FairQueue(1, 2);
    const first = piece();
    const running = queue.run("a", 1, never, first.work);
    const gone = new AbortController();
    let hasStarted = false;
    const waiting = queue.run("b", 1, gone.signal, async () => (hasStarted = true));
    gone.abort();
    await expect(waiting).rejects.toThrow();
    first.end();
    await running;
    await settled();
    expect(hasStarted).toBe(false);
    await expect(queue.run("c", 1, never, async () => 1)).resolves.toBe(1);
  });
  it("lets a page wait for as many parts as may wait, without a warning of a leak", async () => {
    const warnings: Error[] = [];
    const note = (warning: Error) => warnings.push(warning);
    process.on("warning", note);
    const queue = new FairQueue(1, 32);
    const { work, end } = piece();
    const { signal } = new AbortController();
    const all = Array.from({ length: 20 }, () => queue.run("a", 1, signal, work));
    await settled();
    process.off("warning", note);
    end();
    await Promise.all(all);
    expect(warnings).toEqual([]);
  });
  it("goes on after work that failed", async () => {
    const queue = new FairQueue(1, 2);
    await expect(
      queue.run("a", 1, never, async () => {
        throw new Error("no");
      }),
    ).rejects.toThrow("no");
    await expect(queue.run("a", 1, never, async () => 1)).resolves.toBe(1);
  });
});
