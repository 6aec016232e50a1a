import { PagesNav } from "../kit/PagesNav";

const PAGES = [
  ["/setups", "Adjustable bars"],
  ["/setups/storage", "Where bars hang"],
  ["/setups/space", "Room"],
] as const;

/** What belongs to setups. */
export function SetupsNav({ here }: { here?: string }) {
  return (
    <PagesNav label="Setups" pages={PAGES} here={here}>
      <a href="/setups/cards.pdf" className="inline-flex min-h-11 items-center hover:underline">
        All cards as PDF
      </a>
    </PagesNav>
  );
}
