import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import jsQR from "jsqr";
import { PDFDocument } from "pdf-lib";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { CAP_MM, type LabelKind, SHELF_MM } from "@/papers/labelKinds";
import { type LabelledBar, labelsPdf } from "@/papers/labelsPdf";
import { makeContexts } from "@/server/access/context.fixture";
import { labelRules, saveLabelRules } from "@/server/rules";

/* Labels, as they come out of a printer: measured, and their codes read by a reader that knows nothing of us. */

const PX_PER_MM = 10;
const bar = (tag: string, colour: string | null = null): LabelledBar => ({
  ...{ tag, name: "Stiff one", family: "power bar", madeFor: "squat, bench and deadlift" },
  ...{ massKg: 20, ratedKg: 680, colour, address: `http://gym.test/bars/${tag}` },
});

/** The first page as a printer sees it: grey values, ten to the millimetre. */
async function printed(bytes: Uint8Array) {
  const folder = mkdtempSync(join(tmpdir(), "labels-"));
  try {
    execFileSync("pdftoppm", ["-r", String(25.4 * PX_PER_MM), "-png", "-f", "1", "-l", "1", "-", join(folder, "p")], {
      input: Buffer.from(bytes),
    });
    const [name] = execFileSync("ls", [folder]).toString().trim().split("\n");
    const { data, info } = await sharp(readFileSync(join(folder, name!)))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return { data: new Uint8ClampedArray(data), width: info.width, height: info.height };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** Where on the page there is anything but white, in mm. */
function extentOf({ data, width, height }: Awaited<ReturnType<typeof printed>>) {
  let [left, right, top, bottom] = [width, 0, height, 0];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1)
      if (data[4 * (y * width + x)]! < 250 || data[4 * (y * width + x) + 1]! < 250) {
        [left, right, top, bottom] = [Math.min(left, x), Math.max(right, x), Math.min(top, y), Math.max(bottom, y)];
      }
  return { width: (right - left + 1) / PX_PER_MM, height: (bottom - top + 1) / PX_PER_MM };
}

describe("labels on paper", () => {
  it.each<[LabelKind, number, number]>([
    ["shelf", SHELF_MM.width, SHELF_MM.height],
    ["cap", CAP_MM, CAP_MM],
  ])("a %s label is as large as it is said, and its code leads to the bar", async (kind, width, height) => {
    const page = await printed(await labelsPdf(kind, [bar("K11", "#0f6b78")], "Labels"));
    const extent = extentOf(page);
    expect(Math.abs(extent.width - width)).toBeLessThan(0.4);
    expect(Math.abs(extent.height - height)).toBeLessThan(0.4);
    expect(jsQR(page.data, page.width, page.height)?.data).toBe("http://gym.test/bars/K11");
  });
  it("puts every bar on a label of its own, page after page, with mass in both units and a long tag whole", async () => {
    const bars = [...Array.from({ length: 15 }, (_, i) => bar(`T${i}`)), bar("BOATHOUSE-2B")];
    const bytes = await labelsPdf("shelf", bars, "Labels");
    expect((await PDFDocument.load(bytes)).getPageCount()).toBe(2);
    const text = execFileSync("pdftotext", ["-layout", "-", "-"], { input: Buffer.from(bytes) }).toString();
    for (const { tag } of bars) expect(text).toMatch(new RegExp(`(^|\\s)${tag}(\\s|$)`, "m"));
    expect(text).toContain("20 kg · 44 lb");
    expect(text).toContain("680 kg · 1499 lb");
  });
});

describe("colours of the families", () => {
  it("are the gym's own, refused where they are none, and never overwritten unseen", async () => {
    const { context } = await makeContexts("label-colours");
    const manager = context("manager");
    expect(await labelRules(manager)).toEqual({ colours: {}, version: 0 });
    expect(await saveLabelRules(context("coach"), {}, 0)).toMatchObject({ code: "forbidden" });
    expect(await saveLabelRules(manager, { power: "teal", squat: "#12345" }, 0)).toMatchObject({
      code: "invalid",
      problems: [{ path: "power" }, { path: "squat" }],
    });
    expect(await saveLabelRules(manager, { power: "#0F6B78", squat: "" }, 0)).toEqual({ ok: true });
    expect(await saveLabelRules(manager, { power: "#000000" }, 0)).toMatchObject({ code: "stale", version: 1 });
    expect(await labelRules(manager)).toEqual({ colours: { power: "#0f6b78" }, version: 1 });
  });
});
