import { describe, expect, it } from "vitest";
import { makeContexts } from "@/server/access/context.fixture";
import { ownUnits, saveOwnUnits } from ".";

describe("units of one's own", () => {
  it("are chosen by each person for themselves, and given up again", async () => {
    const { context } = await makeContexts("own units");
    const coach = context("coach");
    expect(await ownUnits(coach)).toEqual({ massUnit: "", lengthUnit: "" });
    expect(await saveOwnUnits(coach, { massUnit: "lb", lengthUnit: "in" })).toEqual({ ok: true });
    expect(await ownUnits(coach)).toEqual({ massUnit: "lb", lengthUnit: "in" });
    expect(await ownUnits(context("manager"))).toEqual({ massUnit: "", lengthUnit: "" });
    expect(await saveOwnUnits(coach, { massUnit: "", lengthUnit: "in" })).toEqual({ ok: true });
    expect(await ownUnits(coach)).toEqual({ massUnit: "", lengthUnit: "in" });
  });
  it("are none that nobody knows: every problem is said and nothing is changed", async () => {
    const { context } = await makeContexts("own units wrong");
    const refused = await saveOwnUnits(context("care"), { massUnit: "stone", lengthUnit: "cubit" });
    expect(refused).toMatchObject({ ok: false, code: "invalid" });
    expect(refused.ok ? [] : refused.problems.map(({ path }) => path)).toEqual(["massUnit", "lengthUnit"]);
    expect(await ownUnits(context("care"))).toEqual({ massUnit: "", lengthUnit: "" });
  });
});
