import type { Page } from "@playwright/test";
import { expect } from "./clock";

/** Becomes another person of the demonstration, on the page where they are picked. */
export async function become(page: Page, name: string): Promise<void> {
  await page.goto("/settings");
  await page.getByRole("button", { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole("region", { name: "Signed in as" }).getByText(new RegExp(`^${name},`))).toBeVisible();
}
