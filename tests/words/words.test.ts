import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import ts from "typescript";
import { describe, expect, it } from "vitest";
import { OLD_WORDS, oldWordsIn } from "./oldWords";

/* Every text of the source that a person may read, screens or not: errors, empty states, papers, heads of files. What
 * the built screens show is read in the browser (e2e/access.spec.ts). */

const listed = (...patterns: string[]) =>
  execFileSync("git", ["ls-files", "-co", "--exclude-standard", ...patterns], { encoding: "utf8" })
    .trim()
    .split("\n");

/** Texts with a space in them, or that begin like a sentence: keys and class names are neither. */
const isRead = (text: string) => /\s/.test(text.trim()) || /^[A-Z][a-z]/.test(text);

function textsOf(file: string): string[] {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, "utf8"),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const texts: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    // What is thrown inside is for the log.
    if (ts.isJsxText(node)) texts.push(node.text);
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) texts.push(node.text);
    else if (ts.isTemplateExpression(node))
      texts.push([node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join("…"));
    ts.forEachChild(node, visit);
  };
  visit(source);
  return texts.filter(isRead);
}

describe("words", () => {
  it("finds a phrase in any case, over a line's end and with either apostrophe, and no part of a word", () => {
    expect(oldWordsIn("Enter  a\n bar")).toHaveLength(1);
    expect(oldWordsIn("FITS INTO NOBODY'S HOURS: K03")).toHaveLength(1);
    expect(oldWordsIn("a janewart, a settlement, the house rules")).toEqual([]);
    for (const [phrase] of OLD_WORDS) expect(oldWordsIn(`x ${phrase}.`), phrase).not.toEqual([]);
  });
  it("are such as a gym would say, wherever the source has a text that is read", () => {
    const files = listed("src/**/*.ts", "src/**/*.tsx").filter(
      (file) => !/\.(test|fixture)\.tsx?$|\.d\.ts$|data\/schema\//.test(file),
    );
    expect(files.length).toBeGreaterThan(500);
    const odd = files.flatMap((file) =>
      textsOf(file).flatMap((text) => oldWordsIn(text).map((one) => `${file}: ${one}`)),
    );
    expect(odd).toEqual([]);
  });
  it("are such as a gym would say in the README and what is written for those who run it", () => {
    const odd = ["README.md", "docs/running.md"].flatMap((file) =>
      readFileSync(file, "utf8")
        .split(/\n{2,}/)
        .flatMap((text) => oldWordsIn(text).map((one) => `${file}: ${one}`)),
    );
    expect(odd).toEqual([]);
  });
});
