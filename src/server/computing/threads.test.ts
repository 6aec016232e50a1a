import { afterAll, describe, expect, it } from "vitest";
import { inOrder, rotation } from "@/core/loading/plan/instances.fixture";
import { planSession } from "@/core/loading/plan/planSession";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { market } from "@/core/buying/market.fixture";
import { compute, endThreads, TooBusy } from ".";

afterAll(endThreads);

const asker = (name: string, signal = new AbortController().signal) => ({ asker: name, signal });
/** More kinds and pairs than can be listed: only the clock ends it. */
const endless = {
  ...inOrder(rotation(1, [200, 400], { rounds: 20 })),
  plates: Array.from({ length: 40 }, (_, i) => ({
    id: `k${i}`,
    massUnits: massUnitsFromKg(0.5 + 0.37 * i),
    pairs: 100,
    thicknessMm: 1,
  })),
};

describe("what is computed in threads", () => {
  it("is what the core answers", async () => {
    const question = inOrder(rotation(1, [60, 120]));
    expect(await compute(asker("a"), "sessionPlan", question)).toEqual(planSession(question));
  });
  it("leaves the server's own thread free, and ends by its deadline with a plan and a bound", async () => {
    let turns = 0;
    const clock = setInterval(() => (turns += 1), 5);
    const plan = await compute(asker("a"), "sessionPlan", endless, { ms: 400 });
    clearInterval(clock);
    expect(turns).toBeGreaterThan(10);
    expect(plan.sets).toHaveLength(endless.sets.length);
    expect(plan.lowerBound).toBeLessThanOrEqual(plan.handled);
  });
  it("stops when its asker has gone", async () => {
    const gone = new AbortController();
    const asked = compute(asker("a", gone.signal), "sessionPlan", endless, { ms: 60_000 });
    setTimeout(() => gone.abort(), 100);
    await expect(asked).rejects.toThrow();
    // The thread is free again long before its time was over.
    await expect(compute(asker("a"), "sessionPlan", inOrder(rotation(1, [60, 120])))).resolves.toBeTruthy();
  });
  it("stops weighing offers when the page was left", async () => {
    const gone = new AbortController();
    const hard = market(4, { offers: 60, needs: 3000, share: 0.3 });
    const asked = compute(asker("a", gone.signal), "purchase", hard, { ms: 60_000 });
    setTimeout(() => gone.abort(), 200);
    await expect(asked).rejects.toThrow();
    const small = market(1, { offers: 3, needs: 5, share: 0.5 });
    await expect(compute(asker("a"), "purchase", small)).resolves.toMatchObject({ provenOptimal: true });
  });
  it("turns away what is beyond the queue", async () => {
    const gone = new AbortController();
    const asked = Array.from({ length: 60 }, (_, i) =>
      compute(asker(`tablet ${i}`, gone.signal), "sessionPlan", endless, { ms: 60_000 }).catch(
        (error: unknown) => error,
      ),
    );
    const first = await Promise.race(asked);
    expect(first).toBeInstanceOf(TooBusy);
    gone.abort();
    const all = await Promise.all(asked);
    expect(all.filter((one) => one instanceof TooBusy).length).toBeGreaterThan(20);
  });
});
