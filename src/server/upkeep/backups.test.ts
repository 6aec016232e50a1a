import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { alarmOf } from "./backupAlarm";
import { isBackupDue } from "./nightlyBackup";

/* When a backup is made, and when its lack is an alarm. */

const NOW = new Date("2026-03-20T06:00:00Z");
const ago = (hours: number) => new Date(NOW.getTime() - hours * 3_600_000);
const alarm = (lastGood: number | null, { since = 1000, problem = null as string | null } = {}) =>
  alarmOf({ lastGoodAt: lastGood === null ? null : ago(lastGood), since: ago(since), problem }, NOW);

describe("the nightly backup", () => {
  const due = (hours: number | null, hour: number) => isBackupDue(hours === null ? null : ago(hours), NOW, hour, 2);
  it("is made from its hour on, once a night", () => {
    expect([due(23.5, 1), due(23.5, 2), due(23.5, 23)]).toEqual([false, true, true]);
    expect([due(0.1, 2), due(12, 5), due(22.9, 2)]).toEqual([false, false, false]);
  });
  it("that was slept through is made as soon as the computer wakes, as is the very first", () => {
    expect([due(25, 1), due(200, 14), due(null, 14)]).toEqual([true, true, true]);
  });
  it("of a program that looks every minute is made at least once in any 26 hours, and never twice in 22", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 1439 }), (fromHour, start) => {
        const made: number[] = [0];
        for (let minute = 1; minute < 6 * 1440; minute += 1) {
          const hour = Math.floor(((start + minute) % 1440) / 60);
          const at = (m: number) => new Date(NOW.getTime() + m * 60_000);
          if (isBackupDue(at(made.at(-1)!), at(minute), hour, fromHour)) made.push(minute);
        }
        const gaps = made.slice(1).map((minute, i) => (minute - made[i]!) / 60);
        expect(Math.max(...gaps)).toBeLessThanOrEqual(26);
        expect(Math.min(...gaps)).toBeGreaterThanOrEqual(22);
        expect(gaps.length).toBeGreaterThanOrEqual(5);
      }),
      { numRuns: 50 },
    );
  });
});

describe("the alarm on Today", () => {
  it("is silent while a backup of the last day is good", () => {
    expect(alarm(0)).toBeNull();
    expect(alarm(23.9)).toBeNull();
  });
  it("is raised when the last good one is a day old, whatever the reason, and names it", () => {
    expect(alarm(24)).not.toBeNull();
    expect(alarm(49)!.title).toContain("2 days");
    expect(alarm(49, { problem: "pg_dump failed: no space" })!.because).toContain("pg_dump failed: no space");
  });
  it("of a new hall waits for a day, unless the first try failed", () => {
    expect(alarm(null, { since: 5 })).toBeNull();
    expect(alarm(null, { since: 25 })).not.toBeNull();
    expect(alarm(null, { since: 5, problem: "no folder" })!.because).toContain("no folder");
  });
  it("is raised for a copy that failed beside a good backup", () => {
    expect(alarm(1, { problem: "The copy in /mnt failed" })!.because).toContain("/mnt");
  });
});
