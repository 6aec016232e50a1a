import ICAL from "ical.js";
import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { bars, calendarLinks, carePlan, careRounds, classes, stations } from "@/data/schema";
import { saveCareRules } from "@/server/care/planning/careRules";
import { outboxOf, readMessage, remindOfRounds } from "./reminders";
import { makeContexts } from "@/server/access/context.fixture";
import { calendarLinksOf, calendarOfToken, careCalendar, makeCalendarLink, revokeCalendarLink } from "./calendar";
import { checkStation } from "@/server/equipment";
import { plannedRounds, roundsOfToday } from "./planned";
import { moveRound, planRounds } from "./planner";
import { plannedRoundOf } from "./round";
import { crewHours, saveStaffHours } from "./staffHours";
import { daysBetween } from "@/core/units/hallDay";

/** A hall with eight bars due about now, a care hand who is in on Mondays and Fridays. 2026-03-20 is a Friday. */
async function withCrew(name: string) {
  const made = await makeContexts(name);
  const { hall, bar, task } = made;
  const more = await hall.insert(
    bars,
    Array.from({ length: 7 }, (_, i) => ({ ...bar, id: undefined, tag: `B${i}` })),
  );
  await hall.insert(
    carePlan,
    more.map(({ id }, i) => ({
      barId: id,
      taskId: task.id,
      lastDoneOn: "2026-03-10",
      dueOn: `2026-03-2${i}`,
      intervalDays: 10,
      reason: "because",
    })),
  );
  const care = made.context("care");
  expect(await saveStaffHours(care, care.actor.personId, "Mon 09:00-09:20\nFri 09:00-09:20")).toMatchObject({
    ok: true,
  });
  return { ...made, care };
}

describe("rounds in the crew's hours", () => {
  it("do what is due in time where it can be, fewest rounds, nothing lost", async () => {
    const { care, hall } = await withCrew("plan");
    const result = await planRounds(care);
    expect(result).toMatchObject({ ok: true, unplaced: [] });
    const rounds = await plannedRounds(care, { from: care.clock.today });
    const tags = rounds.flatMap(({ day, tasks }) =>
      tasks.flatMap(({ at }) => at.map(({ name }) => ({ tag: name, day }))),
    );
    expect(tags).toHaveLength(result.ok ? result.jobs : 0);
    // Every ten days in four weeks: twice at least, never sooner than two thirds of the interval after the time before.
    for (const tag of ["T1", "B0", "B1", "B2", "B3", "B4", "B5", "B6"]) {
      const days = tags.filter((one) => one.tag === tag).map(({ day }) => day);
      expect(days.length).toBeGreaterThanOrEqual(2);
      days.slice(1).forEach((day, i) => expect(daysBetween(days[i]!, day)).toBeGreaterThanOrEqual(6));
    }
    for (const { day, minutes } of rounds) {
      expect([1, 5]).toContain(new Date(`${day}T00:00:00Z`).getUTCDay());
      expect(minutes).toBeLessThanOrEqual(20);
    }
    // T1 was due on the 11th: nine days late whatever anybody does. The rest is in time.
    expect(result.ok && result.lateness).toBe(9);
    // Planned again it is the same, not twice.
    await planRounds(care);
    expect(await hall.rows(careRounds)).toHaveLength(rounds.length);
  });
  it("go around classes, leave bars out that nobody may use, and say what fits nowhere", async () => {
    const { care, hall } = await withCrew("quiet");
    await hall.insert(classes, {
      name: "Early",
      heldOn: "2026-03-20",
      startsAt: "08:30",
      blockMinutes: 60,
      blocks: 1,
      capacities: {},
    });
    await hall.update(bars, eq(bars.tag, "B0"), { state: "quarantined", stateReason: "bent" });
    await planRounds(care);
    const rounds = await plannedRounds(care, { from: care.clock.today });
    expect(rounds.map(({ day }) => day)).not.toContain("2026-03-20");
    expect(JSON.stringify(rounds)).not.toContain('"B0"');
    await saveStaffHours(care, care.actor.personId, "Mon 09:00-09:03");
    const tight = await planRounds(care);
    expect(tight.ok && tight.unplaced.length).toBeGreaterThan(0);
    expect(tight.ok && tight.unplaced[0]).toMatch(/^[BT]\d: brush( \(again by 2026-\d\d-\d\d\))?$/);
    await saveStaffHours(care, care.actor.personId, "");
    expect(await planRounds(care)).toMatchObject({ code: "impossible" });
    expect(await saveStaffHours(care, care.actor.personId, "Monday morning")).toMatchObject({ code: "invalid" });
    expect((await crewHours(care)).find(({ id }) => id === care.actor.personId)!.text).toBe("");
  });
  it("say which of their bars may not be used any more, on the card and in the calendar", async () => {
    const { care, hall } = await withCrew("cracked");
    await planRounds(care);
    const before = await plannedRounds(care, { from: care.clock.today });
    expect(before.every(({ outOfUse }) => outOfUse.length === 0)).toBe(true);
    await hall.update(bars, eq(bars.tag, "B3"), { state: "quarantined", stateReason: "crack" });
    const after = await plannedRounds(care, { from: care.clock.today });
    const named = after.filter(({ tasks }) => tasks.some(({ at }) => at.some(({ name }) => name === "B3")));
    expect(named.length).toBeGreaterThan(0);
    for (const round of after)
      expect(round.outOfUse).toEqual(named.includes(round) ? ["B3 is quarantined: crack."] : []);
    expect(await careCalendar(care, null)).toContain("B3 is quarantined: crack.");
  });
  it("hold what is looked at on stations, and are done when both bars and stations are", async () => {
    const { care, hall } = await withCrew("with stations");
    await hall.insert(stations, { key: "r1", name: "Rack 1", kind: "rack", supportSpacingMm: 1090, jCupPairs: 1 });
    await planRounds(care);
    const ofStations = async () =>
      (await plannedRounds(care, { from: care.clock.today })).flatMap(({ id, day, tasks }) =>
        tasks.filter(({ isOfStations }) => isOfStations).map(({ name, at }) => ({ id, day, name, at })),
      );
    // A gym that never checked a station has none on its rounds.
    expect(await ofStations()).toEqual([]);
    const look = { key: "look-round-stations-1", station: "r1", found: "sound", note: "" };
    expect(await checkStation(care, { ...look, part: "liners" })).toMatchObject({ ok: true });
    const planned = await planRounds(care);
    expect(planned).toMatchObject({ ok: true, unplaced: [] });
    const looks = await ofStations();
    // Bolts were never looked at: the first round. Pins every fortnight: twice. Liners in a month: after the plan's end.
    expect(looks.filter(({ name }) => name === "bolts and anchors").map(({ day }) => day)).toEqual([care.clock.today]);
    const pins = looks.filter(({ name }) => name === "pins, J-cups and safeties").map(({ day }) => day);
    expect(pins).toHaveLength(2);
    expect(daysBetween(pins[0]!, pins[1]!)).toBeGreaterThanOrEqual(9);
    expect(looks.some(({ name }) => name === "liners of the J-cups")).toBe(false);
    expect(looks[0]!.at).toEqual([{ name: "Rack 1", late: 0 }]);
    // Lines of a calendar are folded.
    expect((await careCalendar(care, null)).replaceAll(/\r\n /g, "")).toContain("bolts and anchors: Rack 1");
    const id = looks[0]!.id;
    expect((await plannedRoundOf(care, id))!.stations).toEqual([
      { key: "r1", name: "Rack 1", parts: ["bolts and anchors", "pins, J-cups and safeties"] },
    ]);
    await checkStation(care, { ...look, key: "look-round-stations-2", part: "bolts" });
    expect((await plannedRoundOf(care, id))!.stations[0]!.parts).toEqual(["pins, J-cups and safeties"]);
    // All bars of today ticked, the round still waits for its pins.
    await hall.update(carePlan, undefined, { lastDoneOn: care.clock.today });
    expect((await roundsOfToday(care)).map((one) => one.id)).toEqual([id]);
    await checkStation(care, { ...look, key: "look-round-stations-3", part: "pins" });
    expect(await roundsOfToday(care)).toEqual([]);
    expect((await plannedRoundOf(care, id))!.stations).toEqual([]);
  });
  it("keep out of the gym’s quiet hours", async () => {
    const { care, context } = await withCrew("quiet hours");
    const bad = await saveCareRules(context("manager"), { rule: "calendar", quiet: "Friday all day" }, 0);
    expect(!bad.ok && bad.problems[0]!.path).toBe("quiet");
    expect(await saveCareRules(context("manager"), { rule: "calendar", quiet: "Fri 08:00-12:00" }, 0)).toMatchObject({
      ok: true,
    });
    await planRounds(care);
    const days = (await plannedRounds(care, { from: care.clock.today })).map(({ day }) => new Date(day).getUTCDay());
    expect(days.length).toBeGreaterThan(0);
    expect(days.every((day) => day === 1)).toBe(true);
  });
  it("are reminded of on their day, in an outbox that is read in the program", async () => {
    const { care, context } = await withCrew("remind");
    await planRounds(care);
    const today = (await plannedRounds(care, { from: care.clock.today })).filter(({ day }) => day === care.clock.today);
    expect(await remindOfRounds(care)).toBe(today.length);
    const outbox = await outboxOf(care);
    expect(outbox[0]).toMatchObject({ to: "care of remind", isRead: false });
    expect(outbox[0]!.subject).toMatch(/^Care today at 09:00: about \d+ min$/);
    expect(outbox[0]!.body).toContain("T1");
    expect(await readMessage(care, outbox[0]!.id)).toEqual({ ok: true });
    expect((await outboxOf(care))[0]!.isRead).toBe(true);
    expect(await outboxOf(context("wall"))).toEqual([]);
  });
  it("are moved by hand, with what that does to lateness; a stale move is refused", async () => {
    const { care } = await withCrew("move");
    await planRounds(care);
    const [round] = await plannedRounds(care, { from: care.clock.today });
    const moved = await moveRound(care, { id: round!.id, day: "2026-04-10", version: 1 });
    expect(moved.ok && moved.after).toBeGreaterThan(moved.ok ? moved.before : 0);
    expect(await moveRound(care, { id: round!.id, day: "2026-04-11", version: 1 })).toMatchObject({ code: "stale" });
    expect(await moveRound(care, { id: round!.id, day: "2026-03-01", version: 2 })).toMatchObject({ code: "invalid" });
  });
});

describe("the calendar, read back by an independent parser", () => {
  it("holds every round as a moment and the hours as they recur by the hall's clock, summer and winter", async () => {
    const { care, hall } = await withCrew("calendar");
    await planRounds(care);
    const london = { ...care, actor: { ...care.actor, timeZone: "Europe/London" } };
    const text = await careCalendar(london, null);
    // RFC 5545: lines end in CRLF and are folded at 75 octets.
    expect(text.endsWith("END:VCALENDAR\r\n")).toBe(true);
    for (const line of text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    const events = new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents("vevent")
      .map((one) => new ICAL.Event(one));
    const rounds = await hall.rows(careRounds);
    const singles = events.filter((event) => !event.isRecurring());
    expect(singles.map(({ startDate }) => startDate.toJSDate().toISOString()).sort()).toEqual(
      // Nine by London's clock is eight in Greenwich from the last Sunday of March on.
      rounds.map(({ day }) => `${day}T0${day < "2026-03-29" ? 9 : 8}:00:00.000Z`).sort(),
    );
    expect(singles[0]!.summary).toMatch(/^Care round: \d+ jobs?, \d+ min$/);
    const [monday] = events.filter((event) => event.isRecurring() && event.startDate.dayOfWeek() === 2);
    expect(monday!.component.getFirstProperty("dtstart")!.getParameter("tzid")).toBe("Europe/London");
    const iterator = monday!.iterator();
    const starts = [iterator.next(), iterator.next(), iterator.next()];
    // The clock says nine before and after the last Sunday of March.
    expect(starts.map((start) => start.toString())).toEqual([
      "2026-03-23T09:00:00",
      "2026-03-30T09:00:00",
      "2026-04-06T09:00:00",
    ]);
    expect(await careCalendar(london, care.actor.personId)).toContain("care of calendar");
  });
  it("is read at a secret address that follows every change and can be taken back", async () => {
    const { care, context, hall } = await withCrew("secret");
    expect(await makeCalendarLink(context("lifter"), null)).toMatchObject({ code: "forbidden" });
    const made = await makeCalendarLink(care, care.actor.personId);
    if (!made.ok) throw new Error(made.message);
    expect(JSON.stringify(await hall.rows(calendarLinks))).not.toContain(made.token);
    const before = await calendarOfToken(made.token);
    expect(before).toContain("BEGIN:VCALENDAR");
    expect(before).not.toContain("round-");
    await hall.insert(careRounds, {
      personId: care.actor.personId,
      day: "2999-01-01",
      fromMinute: 540,
      minutes: 10,
      items: [],
    });
    expect(await calendarOfToken(made.token)).toContain("round-");
    const [link] = await calendarLinksOf(care);
    expect(await revokeCalendarLink(care, link!.id)).toEqual({ ok: true });
    expect(await calendarOfToken(made.token)).toBeNull();
    expect(await revokeCalendarLink(care, link!.id)).toMatchObject({ code: "not-found" });
    expect(await calendarOfToken("x".repeat(32))).toBeNull();
    expect(await calendarOfToken("../../etc")).toBeNull();
  });
});
