import type { AxeResults, RunOptions } from "axe-core";
import type { Page } from "@playwright/test";

/** The tests run from the root of the repository. */
const AXE = "node_modules/axe-core/axe.min.js";

/**
 * Serious and critical accessibility violations of a page as it stands, by axe; of some rules or all. Run in the page
 * itself and asked for violations only: a third of the time of the usual wrapper, which opens a page for its report.
 */
export async function serious(page: Page, rules?: string[]): Promise<string[]> {
  if (!(await page.evaluate(() => "axe" in window))) await page.addScriptTag({ path: AXE });
  const options: RunOptions = { resultTypes: ["violations"], ...(rules ? { runOnly: rules } : {}) };
  const { violations } = await page.evaluate(
    (asked) =>
      (window as unknown as { axe: { run(of: Document, how: unknown): Promise<AxeResults> } }).axe.run(document, asked),
    options,
  );
  return violations
    .filter(({ impact }) => impact === "serious" || impact === "critical")
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(" | ")}`);
}
