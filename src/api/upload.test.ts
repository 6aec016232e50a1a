import { describe, expect, it, test } from "vitest";
import { readUpload, type UploadKind } from "./upload";

const read = (kind: UploadKind, text: string) => readUpload({ kind, bytes: new TextEncoder().encode(text) });
const problemsOf = (kind: UploadKind, text: string) => {
  const result = read(kind, text);
  return result.ok ? [] : result.problems.map(({ path, message }) => `${path}: ${message}`);
};

describe("a file that comes in", () => {
  it("is read as CSV, as exported, and as the page sends it", () => {
    expect(read("csv", "tag,name,family\nK1,One,power\n")).toMatchObject({ ok: true, file: { bars: [{ line: 2 }] } });
    const hall = {
      format: "garrison",
      version: 1,
      hall: "H",
      bars: [{ texts: { tag: "K1", name: "One", family: "power" }, measurements: [] }],
    };
    expect(read("json", JSON.stringify(hall))).toMatchObject({ ok: true, file: { bars: [{ line: 1 }] } });
    const rows = { isDryRun: true, rows: [{ line: 4, texts: { tag: "K1", name: "One", family: "power" } }] };
    expect(read("rows", JSON.stringify(rows))).toMatchObject({
      ok: true,
      isDryRun: true,
      file: { bars: [{ line: 4 }] },
    });
  });
  // Each of these is a few kilobytes to a few megabytes that would become many times as much.
  test.each<[string, UploadKind, string, RegExp]>([
    ["a line of commas", "csv", `tag,name\n${",".repeat(500)}`, /^line 2: has more than 400 cells/],
    ["lines without end", "csv", "\n".repeat(200_001), /more than 200000 lines/],
    ["cells without end", "csv", `${",".repeat(399)}\n`.repeat(10_100), /more than 4000000 cells/],
    ["brackets in brackets", "json", "[".repeat(40), /deeper than 32/],
    [
      "fields without end",
      "json",
      `{${Array.from({ length: 2001 }, (_, i) => `"k${i}":1`).join()}}`,
      /more than 2000 fields/,
    ],
    ["values without end", "json", `[${"1,".repeat(8_000_001)}1]`, /more than 8000000 values/],
    ["half a file", "json", '{"format": "garr', /not JSON/],
  ])("%s is refused by what is wrong with it", (_, kind, text, message) => {
    const problems = problemsOf(kind, text);
    expect(problems.length).toBeGreaterThan(0);
    expect(problems[0]).toMatch(message);
  });
  it("may have marks within quotes that would be too many outside", () => {
    const note = `"${",".repeat(1000)}"`;
    expect(problemsOf("csv", `tag,name,family\nK1,${note},power\n`)).toEqual([]);
    expect(
      problemsOf("json", JSON.stringify({ format: "garrison", version: 1, bars: [], note: "[".repeat(100) })),
    ).not.toContain(": the file nests deeper than 32 levels");
  });
  it("is not UTF-8: said, not guessed", () => {
    const result = readUpload({ kind: "csv", bytes: new Uint8Array([0x74, 0xff, 0xfe]) });
    expect(result).toMatchObject({ ok: false, problems: [{ message: "the file is not UTF-8" }] });
  });
});
