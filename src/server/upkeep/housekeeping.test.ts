import { asc, eq, like } from "drizzle-orm";
import { afterEach, describe, expect, it, vi } from "vitest";
import {
  carePlan,
  careRounds,
  climateDays,
  climateReadings,
  climateSensors,
  houseRules,
  idempotencyKeys,
  messages,
} from "@/data/schema";
import { at, makeContexts } from "@/server/access/context.fixture";
import { CARE_KEY } from "@/server/care/planning/storedCareRules";
import { startClock } from "./clock";
import { keepCareCurrent } from "./housekeeping";
import * as carePlanning from "@/server/care/planning";

const HOUR = 3_600_000;

async function withRound(name: string) {
  const made = await makeContexts(name);
  const care = made.context("care");
  await made.hall.insert(careRounds, {
    personId: care.actor.personId,
    day: care.clock.today,
    fromMinute: 540,
    minutes: 12,
    items: [{ barId: made.bar.id, taskId: made.task.id, dueOn: care.clock.today }],
  });
  return { ...made, care };
}

/** Another request of the same person: what one request worked out is not kept for it. */
const again = <T extends object>(context: T): T => ({ ...context });

afterEach(() => vi.restoreAllMocks());

describe("what the program does by itself", () => {
  it("is done once an hour and once a day, however many ask at the same moment", async () => {
    const { hall, care, context } = await withRound("once");
    await Promise.all([care, context("manager"), context("lifter")].map((one) => keepCareCurrent(one)));
    await keepCareCurrent(again(care));
    expect(await hall.rows(messages)).toMatchObject([
      { toPersonId: care.actor.personId, subject: "Care today at 09:00: about 12 min", body: "brush: T1" },
    ]);
    expect(await hall.rows(idempotencyKeys)).toHaveLength(4);
    // The next day is another day.
    await keepCareCurrent(at(care, "2026-03-21T12:00:00Z"));
    expect(await hall.rows(messages)).toHaveLength(1);
    expect(await hall.rows(idempotencyKeys)).toHaveLength(8);
  });

  it("lets a simulated sensor read what it has not read, hour by hour up to now, and leaves an entered one alone", async () => {
    const { hall, care } = await withRound("sensor");
    const [simulated] = await hall.insert(climateSensors, [
      { key: "hall", name: "Hall", kind: "simulated", seed: 7, so2: 5, chloride: 5 },
      { key: "yard", name: "Yard", kind: "entered", so2: 5, chloride: 5 },
    ]);
    const hour = Math.floor(care.clock.now().getTime() / HOUR) * HOUR;
    await hall.insert(climateReadings, {
      sensorId: simulated!.id,
      at: new Date(hour - 30 * HOUR),
      temperatureC: 20,
      humidityPct: 50,
    });
    await keepCareCurrent(care);
    const readings = await hall.rows(climateReadings, { orderBy: [asc(climateReadings.at)] });
    expect(readings).toHaveLength(31);
    expect(readings.at(-1)!.at.getTime()).toBe(hour);
    expect(new Set(readings.map(({ sensorId }) => sensorId))).toEqual(new Set([simulated!.id]));
    expect((await hall.rows(climateDays)).reduce((sum, { readings }) => sum + readings, 0)).toBe(31);
  });

  it("works due days out anew once a day where the house goes by the meter, not where it goes by the calendar", async () => {
    for (const [rule, isAnew] of [
      ["meter", true],
      ["calendar", false],
    ] as const) {
      const { hall, care } = await withRound(rule);
      await hall.insert(houseRules, { key: CARE_KEY, value: { rule } });
      await keepCareCurrent(care);
      const { reason } = (await hall.first(carePlan))!;
      expect(reason === "bare shaft: every 10 days").toBe(!isAnew);
    }
  });

  it("is tried again when it failed, and a piece that failed left nothing behind", async () => {
    const { hall, care } = await withRound("again");
    const key = like(idempotencyKeys.key, "care-day-%");
    const failing = vi.spyOn(carePlanning, "storedCareRules").mockRejectedValueOnce(new Error("the disk is full"));
    await expect(keepCareCurrent(care)).rejects.toThrow("the disk is full");
    expect(await hall.rows(idempotencyKeys, { where: key })).toEqual([]);
    failing.mockRestore();
    await keepCareCurrent(again(care));
    expect(await hall.rows(idempotencyKeys, { where: key })).toHaveLength(1);
    expect(await hall.rows(messages)).toHaveLength(1);
  });
});

it("the program's clock keeps every hall current without anybody looking, and goes on after a failure", async () => {
  const made = await withRound("clock");
  const failing = vi.spyOn(carePlanning, "storedCareRules").mockRejectedValueOnce(new Error("starting up"));
  const stop = startClock(50);
  try {
    await vi.waitFor(
      async () =>
        expect(
          await made.hall.rows(idempotencyKeys, { where: eq(idempotencyKeys.action, "housekeeping") }),
        ).toHaveLength(4),
      { timeout: 30_000 },
    );
  } finally {
    await stop();
  }
  expect(failing.mock.settledResults[0]).toMatchObject({ type: "rejected" });
});
