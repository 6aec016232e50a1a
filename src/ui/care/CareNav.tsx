import { PagesNav } from "../kit/PagesNav";

const PAGES = [
  ["/care", "Due"],
  ["/care/rounds", "Round"],
  ["/care/plan", "Plan"],
  ["/care/meters", "Meters"],
  ["/care/air", "Air"],
  ["/care/records", "Records"],
  ["/care/incidents", "Incidents"],
  ["/care/stations", "Stations"],
  ["/care/tasks", "Tasks"],
] as const;

/** The pages of care. */
export function CareNav({ here }: { here: (typeof PAGES)[number][0] }) {
  return <PagesNav label="Care" pages={PAGES} here={here} />;
}
