import "server-only";

/** One sentence of the Today page with its one button. */
export interface TodayItem {
  id: string;
  weight: "danger" | "now" | "soon";
  title: string;
  because: string;
  action: { label: string; href: string };
}

/** No sentence lists more bars than this; the wall shows the rest. */
export const MAX_LISTED = 50;

export function days(count: number): string {
  return count === 1 ? "1 day" : `${count} days`;
}
