import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { barQuantities, bars, carePlan } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { careDueByTask, careDueCounts } from "@/server/care/due/careDue";
import { todayCount, todayItems } from "./today";

const mass = (stated: number, effective: number, source: "stated" | "measured") => ({
  kind: "mass" as const,
  statedValue: String(stated),
  statedUnit: "kg" as const,
  stated,
  effective,
  source,
});

describe("Today", () => {
  it("names the bar out of use first, then late care, then the rest, each with one button", async () => {
    const { hall, context, bar } = await makeContexts("today");
    await hall.update(bars, eq(bars.id, bar.id), { state: "quarantined", stateReason: "bent" });
    const [second] = await hall.insert(bars, {
      tag: "T2",
      name: "Other",
      family: "power",
      state: "watch",
      stateReason: "clicks",
      knownSince: "2026-01-01",
    });
    await hall.insert(barQuantities, { barId: second!.id, ...mass(20, 20.4, "measured") });
    const items = await todayItems(context("manager"));
    expect(await todayCount(context("manager"))).toBe(items.length);
    expect(items.map(({ weight, title }) => [weight, title])).toEqual([
      ["danger", "T1 Test bar is quarantined: bent."],
      ["now", "Brush: T1 Test bar, about 3 min."],
      ["soon", "T2 Other is under watch: clicks."],
      ["soon", "1 bar does not weigh what the end cap says: T2."],
      ["soon", "Never weighed: T1."],
    ]);
    expect(items[1]!.because).toBe("T1; T1 is 9 days late.");
    expect(items[3]!.because).toMatch(/^T2 is off by \+0\.4 kg/);
    expect(items.every(({ action }) => action.href.startsWith("/"))).toBe(true);
  });
  it("is empty when there is nothing to do", async () => {
    const { hall, context, bar } = await makeContexts("quiet");
    await hall.insert(barQuantities, { barId: bar.id, ...mass(20, 20.1, "measured") });
    await hall.update(carePlan, eq(carePlan.barId, bar.id), { dueOn: "2026-03-21" });
    expect(await todayItems(context("manager"))).toEqual([]);
  });
  it("flags a mass only beyond the tolerance of 0.2 kg, and never one that was only stated", async () => {
    const { hall, context, bar } = await makeContexts("tolerance");
    await hall.update(carePlan, eq(carePlan.barId, bar.id), { dueOn: "2026-03-21" });
    await hall.insert(barQuantities, { barId: bar.id, ...mass(20, 20.2, "measured") });
    expect(await todayItems(context("manager"))).toEqual([]);
    await hall.update(barQuantities, eq(barQuantities.barId, bar.id), { effective: 20.21 });
    expect((await todayItems(context("manager"))).map(({ id }) => id)).toEqual(["mass-gaps"]);
  });
});

describe("care due, task by task", () => {
  it("counts every bar and shows the longest overdue few", async () => {
    const { hall, context, task } = await makeContexts("many");
    const added = await hall.insert(
      bars,
      Array.from({ length: 6 }, (_, i) => ({
        tag: `M${i}`,
        name: `Many ${i}`,
        family: "power",
        state: i === 5 ? "retired" : "in-service",
        knownSince: "2026-01-01",
      })),
    );
    for (const [i, { id }] of added.entries())
      await hall.insert(carePlan, {
        barId: id,
        taskId: task.id,
        dueOn: `2026-03-0${i + 1}`,
        intervalDays: 10,
        reason: "every 10 days",
      });
    const [due] = await careDueByTask(context("care"), "2026-03-20", 3);
    // T1 and five of the six; the retired one is left out.
    expect(due).toMatchObject({ task: "shaft", bars: 6, minutes: 18 });
    expect(due!.first.map(({ tag }) => tag)).toEqual(["M0", "M1", "M2"]);
    const dueOn = async (day: string) =>
      (await careDueCounts(context("care"), day)).reduce((sum, { count }) => sum + count, 0);
    expect(await dueOn("2026-03-20")).toBe(6);
    expect(await dueOn("2026-03-02")).toBe(2);
  });
});
