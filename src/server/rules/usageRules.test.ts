import { expect, it } from "vitest";
import { USE_CARDS, usageCardOf } from "@/core/use/useCards";
import { makeContexts } from "@/server/access/context.fixture";
import { saveUseCard, usageRules } from ".";

it("a coach says in their own words how bars of a family are used; ours come back on request, nothing is overwritten unseen", async () => {
  const { context } = await makeContexts("usage");
  const coach = context("coach");
  const now = async () => (await usageRules(context("wall"), ["yoke", "curl"]))("yoke");
  expect(await now()).toEqual({ own: {}, version: 0 });
  expect(await saveUseCard(context("care"), "yoke", {}, 0)).toMatchObject({ code: "forbidden" });
  expect(await saveUseCard(coach, "yoke", { ...USE_CARDS.yoke, hands: "x".repeat(121) }, 0)).toMatchObject({
    code: "invalid",
    problems: [{ path: "hands" }],
  });
  const own = { ...USE_CARDS.yoke, hands: " Ask  Joss. ", surprises: "" };
  expect(await saveUseCard(coach, "yoke", own, 0)).toEqual({ ok: true });
  // What is as ours is not kept: ours mended is mended here too.
  expect(await now()).toEqual({ own: { hands: "Ask Joss.", surprises: "" }, version: 1 });
  expect(usageCardOf("yoke", (await now()).own).map(([part]) => part)).not.toContain("surprises");
  expect((await usageRules(coach, ["yoke", "curl"]))("curl")).toEqual({ own: {}, version: 0 });
  expect(await saveUseCard(coach, "yoke", own, 0)).toMatchObject({ code: "stale", version: 1 });
  expect(await saveUseCard(coach, "yoke", null, 1)).toEqual({ ok: true });
  expect(await now()).toEqual({ own: {}, version: 2 });
});
