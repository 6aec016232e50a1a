import { PagesNav } from "../kit/PagesNav";

const PAGES = [
  ["/sessions", "Classes"],
  ["/sessions/rotations", "Rotations"],
] as const;

/** Evenings, and which bar in which week. */
export function ClassesNav({ here }: { here?: (typeof PAGES)[number][0] }) {
  return <PagesNav label="Classes" pages={PAGES} here={here} />;
}
