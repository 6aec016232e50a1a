import { PagesNav } from "../kit/PagesNav";

const PAGES = [
  ["/load", "One load"],
  ["/load/session", "Warm-ups and sessions"],
] as const;

/** One load, or all sets of a session on one bar. */
export function LoadNav({ here }: { here: (typeof PAGES)[number][0] }) {
  return <PagesNav label="Loading" pages={PAGES} here={here} />;
}
