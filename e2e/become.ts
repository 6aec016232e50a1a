import type { Page } from "@playwright/test";
import { expect } from "./clock";

/**
 * Becomes another person of the demonstration. The key that the browser began with is shared by all errands and is put
 * away first: whoever comes in on a browser ends the session that was open on it.
 */
export async function become(page: Page, name: string): Promise<void> {
  await page.context().clearCookies();
  await page.goto("/sign-in?to=/settings");
  await page.getByRole("button", { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole("region", { name: "Signed in as" }).getByText(new RegExp(`^${name},`))).toBeVisible();
}
