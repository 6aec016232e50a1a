import { PagesNav } from "../kit/PagesNav";

const PAGES = [
  ["/classes", "Classes"],
  ["/classes/rotations", "Rotations"],
] as const;

/** Evenings, and which bar in which week. */
export function ClassesNav({ here }: { here?: (typeof PAGES)[number][0] }) {
  return <PagesNav label="Classes" pages={PAGES} here={here} />;
}
