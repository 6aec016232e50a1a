import { eq } from "drizzle-orm";
import { expect, it } from "vitest";
import { accountLog, changes, invitations, letters, lifters } from "@/data/schema";
import { at, makeContexts } from "@/server/access/context.fixture";
import { saveKeepingRules } from "@/server/rules";
import { forgetWhatIsOld } from "./retention";

const NOW = "2026-03-20T06:00:00Z";
const before = (days: number) => new Date(Date.parse(NOW) - days * 86_400_000);

it("what happened at the doors, letters and links go when their time is over, and lifters some months after they left", async () => {
  const { context, hall, actor } = await makeContexts("retention");
  for (const days of [399, 401]) await hall.insert(accountLog, { kind: "signed-in", at: before(days) });
  for (const days of [89, 91]) {
    await hall.insert(letters, { toAddress: "a@example.org", subject: "x", body: "", createdAt: before(days) });
    await hall.insert(invitations, {
      ...{ personId: actor("care").personId, kind: "invite", tokenSha256: `${days} ${actor("care").personId}` },
      endsAt: before(days),
    });
  }
  const left = async (key: string, days: number | null) =>
    (
      await hall.insert(lifters, {
        key,
        name: key,
        comfortNote: "aches",
        retiredAt: days === null ? null : before(days),
      })
    )[0]!;
  await left("here", null);
  await left("lately", 700);
  const gone = await left("gone", 740);
  await hall.insert(changes, {
    personId: actor("coach").personId,
    entity: "lifter",
    entityId: gone.id,
    action: "added",
    after: { comfortNote: "aches" },
  });
  const manager = at(context("manager"), NOW);
  await forgetWhatIsOld(manager);
  expect(await hall.rows(accountLog, { where: eq(accountLog.kind, "signed-in") })).toHaveLength(1);
  expect(await hall.rows(letters)).toHaveLength(1);
  expect(await hall.rows(invitations)).toHaveLength(1);
  const names = async () => (await hall.rows(lifters)).map(({ name, comfortNote }) => `${name} ${comfortNote}`).sort();
  expect(await names()).toEqual(["erased null", "here aches", "lately aches"]);
  const kept = await hall.rows(changes, { where: eq(changes.entityId, gone.id) });
  expect(JSON.stringify(kept)).not.toContain("aches");
  // By the house's own rule: sooner, or never.
  expect(await saveKeepingRules(context("coach"), {}, 0)).toMatchObject({ code: "forbidden" });
  expect(await saveKeepingRules(manager, { accountLogDays: "3", retiredLifterMonths: "x" }, 0)).toMatchObject({
    problems: [{ path: "accountLogDays" }, { path: "retiredLifterMonths" }],
  });
  expect(await saveKeepingRules(manager, { accountLogDays: "30", retiredLifterMonths: "" }, 0)).toEqual({ ok: true });
  await forgetWhatIsOld(manager);
  expect(await hall.rows(accountLog, { where: eq(accountLog.kind, "signed-in") })).toHaveLength(0);
  expect(await names()).toEqual(["erased null", "here aches", "lately aches"]);
  expect(await saveKeepingRules(manager, { accountLogDays: "30", retiredLifterMonths: "12" }, 0)).toMatchObject({
    code: "stale",
    version: 1,
  });
  expect(await saveKeepingRules(manager, { accountLogDays: "30", retiredLifterMonths: "12" }, 1)).toEqual({ ok: true });
  await forgetWhatIsOld(manager);
  expect(await names()).toEqual(["erased null", "erased null", "here aches"]);
});
