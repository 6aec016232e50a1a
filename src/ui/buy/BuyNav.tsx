import { PagesNav } from "../kit/PagesNav";

const PAGES = [
  ["/buy", "What to buy"],
  ["/buy/used", "Used bar"],
  ["/buy/costs", "What bars cost"],
] as const;

/** What to buy, what a used bar is worth, and what the bars here have cost. */
export function BuyNav({ here }: { here?: (typeof PAGES)[number][0] }) {
  return <PagesNav label="Buying" pages={PAGES} here={here} />;
}
