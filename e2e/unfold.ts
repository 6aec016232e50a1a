import type { Page } from "@playwright/test";

/** Opens a part of a page that is folded. */
export const unfold = (page: Page, title: string) =>
  page
    .locator("summary")
    .filter({ hasText: new RegExp(`^${title}`) })
    .click();
