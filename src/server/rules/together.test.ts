import { eq } from "drizzle-orm";
import { beforeEach, describe, expect, it } from "vitest";
import { barCare, houseRules, staffHours } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { crewHours, saveStaffHours } from "@/server/care/rounds";
import { saveBarFactors, saveCareRules } from "@/server/care/planning";
import { saveMatchingRules } from "@/server/matching";
import { type Outcome } from "@/server/kit";
import { saveMeasuringRules } from ".";

let made: Awaited<ReturnType<typeof makeContexts>>;
beforeEach(async () => {
  made = await makeContexts("together");
});

/** The same form sent by four tablets at the same moment, each with its own text. */
const fourAtOnce = (save: (n: number) => Promise<Outcome<object>>) => Promise.all([1, 2, 3, 4].map(save));

describe("two people, one thing that has no row yet", () => {
  it.each<[string, (n: number) => Promise<Outcome<object>>]>([
    ["rules of care", (n) => saveCareRules(made.context("manager"), { rule: "calendar", hour: String(10 + n) }, 0)],
    ["rules of matching", (n) => saveMatchingRules(made.context("manager"), { tallMm: String(1800 + n) }, 0)],
    ["rules of measuring", (n) => saveMeasuringRules(made.context("manager"), { noticeableMm: `0.${n}` }, 0)],
    [
      "factors of a bar",
      (n) => saveBarFactors(made.context("manager"), { tag: made.bar.tag, version: 0, use: String(n), finish: "" }),
    ],
  ])("%s: one is kept, the others are told what stands now and may name it", async (_, save) => {
    const all = await fourAtOnce(save);
    expect(all.filter(({ ok }) => ok)).toHaveLength(1);
    for (const one of all) if (!one.ok) expect(one).toMatchObject({ code: "stale", version: 1 });
    const rules = await made.hall.rows(houseRules);
    const factors = await made.hall.rows(barCare);
    expect(rules.length + factors.length).toBe(1);
    expect([...rules, ...factors][0]!.version).toBe(1);
  });
  it("hours of one of the crew: what the screen did not show is not overwritten", async () => {
    const care = made.context("care");
    const { personId } = care.actor;
    const all = await fourAtOnce((n) => saveStaffHours(care, personId, `Mon 0${n}:00-0${n}:30`, ""));
    expect(all.filter(({ ok }) => ok)).toHaveLength(1);
    const [mine] = (await crewHours(care)).filter(({ id }) => id === personId);
    expect(await saveStaffHours(care, personId, "Tue 09:00-10:00", mine!.text)).toMatchObject({ ok: true });
    expect(await made.hall.rows(staffHours, { where: eq(staffHours.personId, personId) })).toHaveLength(1);
  });
});
