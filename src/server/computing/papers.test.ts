import { PDFDocument } from "pdf-lib";
import { afterAll, describe, expect, it } from "vitest";
import { drawPaper, endPress } from "./papers";

afterAll(endPress);

const asker = (name: string, signal = new AbortController().signal) => ({ asker: name, signal });
const rows = (count: number) => ({
  title: "Approval",
  foot: "Harbour Hall",
  parts: [{ kind: "rows" as const, rows: Array.from({ length: count }, (_, i) => [`line ${i}`, "x"] as const) }],
});

describe("papers", () => {
  it("are laid out beside the server's own thread, which goes on", async () => {
    let turns = 0;
    const turning = setInterval(() => (turns += 1), 1);
    const bytes = await drawPaper(asker("a"), "purchase", rows(400));
    clearInterval(turning);
    expect((await PDFDocument.load(bytes)).getPageCount()).toBeGreaterThan(3);
    // Laid out in this thread, hundreds of lines would not let it turn more than a few times.
    expect(turns).toBeGreaterThan(40);
  });
  it("are not laid out for somebody who has gone; the next asker has theirs", async () => {
    const gone = new AbortController();
    const asked = drawPaper(asker("b", gone.signal), "purchase", rows(3000));
    const next = drawPaper(asker("c"), "purchase", rows(1));
    setTimeout(() => gone.abort(new Error("gone")), 20);
    await expect(asked).rejects.toThrow();
    expect((await PDFDocument.load(await next)).getPageCount()).toBe(1);
  });
  it("are refused where too many wait, and say when to come back", async () => {
    const all = await Promise.allSettled(
      Array.from({ length: 20 }, (_, i) => drawPaper(asker(`d${i}`), "purchase", rows(1))),
    );
    const refused = all.filter((one) => one.status === "rejected");
    expect(refused.map(({ reason }) => (reason as Error).name)).toEqual(["TooBusy", "TooBusy", "TooBusy"]);
  });
});
