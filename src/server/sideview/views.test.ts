import { eq } from "drizzle-orm";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { drawnStill } from "@/data/demo/drawnStill";
import { lifters, sideViews } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { eraseRow } from "@/server/lifters/eraseLifter";
import { deleteSideView, type NewSideView, saveSideView, sideViewPhoto, sideViewsForFile, sideViewsOf } from ".";

const STILL = drawnStill({
  build: { heightMm: 1800, massKg: 85 },
  ...{ shankDeg: 32, thighDeg: 0, leanDeg: 41, bar: [20, -50], distanceMm: 4000 },
});
const view = (more: Partial<NewSideView> = {}): NewSideView => ({
  ...{ key: "still-abcdefgh", lifter: "ada", tag: "T1", lift: "back-squat-high", setting: "", loadKg: 100 },
  ...{ takenOn: "2026-03-20", marks: STILL.marks, photo: null },
  ...more,
});

async function withLifter(name: string, more: object = {}) {
  const made = await makeContexts(name);
  const [ada] = await made.hall.insert(lifters, { key: "ada", name: "Ada", ...more });
  return { ...made, ada: ada! };
}

describe("a marked still", () => {
  it("is saved once however often it is sent, without its picture unless one is sent", async () => {
    const { context, ada, hall } = await withLifter("still saved");
    const coach = context("coach");
    const first = await saveSideView(coach, view());
    expect(await saveSideView(coach, view())).toEqual(first);
    expect(await hall.rows(sideViews)).toMatchObject([{ photo: null, photoType: null, loadKg: 100 }]);
    const photo = (await sharp(Buffer.from(STILL.svg)).png().toBuffer()).toString("base64");
    const second = await saveSideView(coach, view({ key: "still-with-picture", photo }));
    expect(second.ok).toBe(true);
    const listed = await sideViewsOf(coach, ada.id);
    expect(listed.map(({ hasPhoto }) => hasPhoto).sort()).toEqual([false, true]);
    expect(listed[0]).toMatchObject({ tag: "T1", marks: { facing: "right" } });
    const kept = listed.find(({ hasPhoto }) => hasPhoto)!;
    expect((await sideViewPhoto(coach, kept.id))!.type).toBe("image/jpeg");
    expect(await sideViewsForFile(coach, ada.id)).toHaveLength(2);
  });

  it("is for coaches: nobody else reads, saves or deletes one", async () => {
    const { context, ada, hall } = await withLifter("still roles");
    const made = await saveSideView(context("coach"), view());
    const id = made.ok ? made.id : "";
    for (const role of ["care", "lifter", "wall", "sheets", "rounds"] as const) {
      expect(await sideViewsOf(context(role), ada.id)).toEqual([]);
      expect(await sideViewPhoto(context(role), id)).toBeNull();
      expect(await saveSideView(context(role), view({ key: "still-other-one" }))).toMatchObject({ code: "forbidden" });
      expect(await deleteSideView(context(role), id)).toMatchObject({ code: "forbidden" });
    }
    expect(await deleteSideView(context("coach"), id)).toEqual({ ok: true });
    expect(await hall.rows(sideViews)).toEqual([]);
    expect(await deleteSideView(context("coach"), "nonsense")).toMatchObject({ code: "not-found" });
  });

  it("lists every problem and saves nothing; of somebody under age only with consent", async () => {
    const { context, hall } = await withLifter("still problems", { isMinor: true });
    const coach = context("coach");
    const bad = await saveSideView(
      coach,
      view({ takenOn: "2026-13-01", loadKg: 9999, setting: "x".repeat(130), marks: { ...STILL.marks, cameraMm: 1 } }),
    );
    expect(bad.ok ? [] : bad.problems.map(({ path }) => path)).toEqual(["marks", "takenOn", "loadKg", "setting"]);
    expect(await saveSideView(coach, view())).toMatchObject({ code: "impossible" });
    await hall.update(lifters, undefined, { guardianConsent: "their father, 1 March" });
    expect(await saveSideView(coach, view())).toMatchObject({ ok: true });
    expect(await saveSideView(coach, view({ key: "still-unknown-bar", tag: "X9" }))).toMatchObject({
      code: "not-found",
    });
    expect(await saveSideView(coach, view({ key: "still-no-photo", photo: "bm90IGEgcGhvdG8=" }))).toMatchObject({
      code: "invalid",
    });
    expect(await hall.rows(sideViews)).toHaveLength(1);
  });

  it("goes with its lifter", async () => {
    const { context, hall, ada } = await withLifter("still erased");
    await saveSideView(context("coach"), view());
    await eraseRow(context("manager"), eq(lifters.id, ada.id));
    expect(await hall.rows(sideViews)).toEqual([]);
  });
});
