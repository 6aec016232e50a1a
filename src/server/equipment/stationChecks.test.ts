import { describe, expect, it } from "vitest";
import { stationChecks, stations } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { todayItems } from "@/server/today";
import { checkStation, stationCare, stationsDue } from ".";

async function withRack(name: string) {
  const made = await makeContexts(name);
  await made.hall.insert(stations, [
    { key: "r1", name: "Rack 1", kind: "rack", supportSpacingMm: 1090, jCupPairs: 1 },
    { key: "p1", name: "Platform 1", kind: "platform", jCupPairs: 0 },
  ]);
  return made;
}
let n = 0;
const look = (part: string, found: string, note = "") => ({
  key: `look-abcdefgh-${(n += 1)}`,
  station: "r1",
  part,
  found,
  note,
});

describe("checks of stations", () => {
  it("are due once a gym checks at all; a platform has nothing to look at", async () => {
    const { context } = await withRack("stations due");
    const care = context("care");
    expect((await stationCare(care)).map(({ name }) => name)).toEqual(["Rack 1"]);
    expect(await stationsDue(care)).toEqual({ out: [], due: [] });
    expect(await checkStation(care, look("liners", "worn"))).toEqual({ ok: true, outOfUse: null });
    expect(await stationsDue(care)).toEqual({ out: [], due: ["Rack 1"] });
    for (const part of ["bolts", "pins"]) await checkStation(care, look(part, "sound"));
    expect(await stationsDue(care)).toEqual({ out: [], due: [] });
    expect((await stationCare(care))[0]!.parts.map(({ found, dueOn }) => [found, dueOn])).toEqual([
      ["sound", "2026-04-19"],
      ["sound", "2026-04-03"],
      ["worn", "2026-04-19"],
    ]);
  });

  it("take a station out at once for what can hurt; it comes back when a coach finds it sound", async () => {
    const { context } = await withRack("stations out");
    const [care, coach] = [context("care"), context("coach")];
    expect(await checkStation(care, look("bolts", "loose", "left foot"))).toMatchObject({
      outOfUse: "bolts and anchors loose",
    });
    expect((await todayItems(coach)).find(({ id }) => id === "station-r1")).toMatchObject({ weight: "danger" });
    // Whoever ticks care says what they see; they do not let people lift there again.
    expect(await checkStation(care, look("bolts", "sound"))).toMatchObject({ outOfUse: "bolts and anchors loose" });
    expect(await checkStation(coach, look("pins", "cracked"))).toMatchObject({
      outOfUse: "pins, J-cups and safeties cracked",
    });
    expect(await checkStation(coach, look("pins", "sound"))).toMatchObject({ outOfUse: null });
    expect((await todayItems(coach)).some(({ id }) => id === "station-r1")).toBe(false);
  });

  it("are kept once however often they are sent, list every problem, and are for those who care for the gym", async () => {
    const { context, hall } = await withRack("stations refused");
    const one = look("pins", "sound");
    expect(await checkStation(context("coach"), one)).toEqual(await checkStation(context("coach"), one));
    expect(await hall.rows(stationChecks)).toHaveLength(1);
    const bad = await checkStation(context("coach"), {
      key: "x",
      station: "r1",
      part: "wheels",
      found: "odd",
      note: "x".repeat(400),
    });
    expect(bad.ok ? [] : bad.problems.map(({ path }) => path)).toEqual(["part", "found", "note", "key"]);
    expect(await checkStation(context("coach"), look("pads", "sound"))).toMatchObject({ code: "invalid" });
    expect(await checkStation(context("coach"), { ...look("pins", "sound"), station: "x" })).toMatchObject({
      code: "not-found",
    });
    expect(await checkStation(context("wall"), look("pins", "sound"))).toMatchObject({ code: "forbidden" });
  });
});
