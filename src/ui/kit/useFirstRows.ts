"use client";

import { useSyncExternalStore } from "react";

const NEVER = () => () => {};

/**
 * The rows to draw now. What the server writes down is what is first in sight; the browser draws the rest itself, at
 * once when it takes the page over. A page that many look at costs the server half as much.
 *
 * @param count rows in the page as it arrives; a screen and a half.
 * @returns all rows in the browser, the first ones on the server
 */
export function useFirstRows<T>(rows: readonly T[], count: number): readonly T[] {
  const isInBrowser = useSyncExternalStore(
    NEVER,
    () => true,
    () => false,
  );
  return isInBrowser || rows.length <= count ? rows : rows.slice(0, count);
}
