import { expect, it } from "vitest";
import { STARTING_TOLERANCES } from "@/core/bars/tolerances";
import { changes } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { measuringRules, saveMeasuringRules } from "./measuringRules";

it("starts with the handbook's tolerances, keeps the gym’s own, and writes what was and what is", async () => {
  const { context, hall } = await makeContexts("rules");
  expect(await measuringRules(context("coach"))).toEqual({
    tolerances: STARTING_TOLERANCES,
    noticeableMm: 1.5,
    version: 0,
  });
  expect(await saveMeasuringRules(context("manager"), { mass: "0,5", noticeableMm: "2" }, 0)).toEqual({ ok: true });
  expect(await measuringRules(context("coach"))).toMatchObject({
    tolerances: { mass: 0.5 },
    noticeableMm: 2,
    version: 1,
  });
  expect(await hall.rows(changes)).toMatchObject([{ entity: "rule", before: null, after: { noticeableMm: 2 } }]);
});

it("refuses what is no number, a stale version, and anybody but the manager", async () => {
  const { context } = await makeContexts("rules");
  const refused = await saveMeasuringRules(
    context("manager"),
    { mass: "much", shaftDiameter: "-1", noticeableMm: "0" },
    0,
  );
  expect(!refused.ok && refused.problems.map(({ path }) => path)).toEqual(["noticeableMm", "mass", "shaftDiameter"]);
  expect(await saveMeasuringRules(context("manager"), {}, 3)).toMatchObject({ code: "stale" });
  expect(await saveMeasuringRules(context("coach"), {}, 0)).toMatchObject({ code: "forbidden" });
  expect((await measuringRules(context("manager"))).version).toBe(0);
});

it("are each hall's own", async () => {
  const [one, other] = [await makeContexts("rules"), await makeContexts("rules")];
  await saveMeasuringRules(one.context("manager"), { mass: "1" }, 0);
  expect((await measuringRules(other.context("manager"))).tolerances.mass).toBe(0.2);
});
