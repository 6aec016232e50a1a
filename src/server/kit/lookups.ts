import "server-only";
import { cache } from "react";
import type { HallDb } from "@/data/hallDb";
import { careTasks, people, places, stations } from "@/data/schema";

/* Small tables that many answers need, read once a request. */

/** Places by id. */
export const placesById = cache(
  async (hall: HallDb) => new Map((await hall.rows(places)).map((place) => [place.id, place])),
);

/** Names of people by id; somebody erased has no name. */
export const namesById = cache(
  async (hall: HallDb) => new Map((await hall.rows(people)).map(({ id, name }) => [id, name])),
);

/** Names of stations by short name. */
export const stationNames = cache(
  async (hall: HallDb) => new Map((await hall.rows(stations)).map(({ key, name }) => [key, name])),
);

/** Care tasks by id. */
export const careTasksById = cache(
  async (hall: HallDb) => new Map((await hall.rows(careTasks)).map((task) => [task.id, task])),
);

/** Names of the places where bars hang, in the order of a round. */
export async function placeNames(hall: HallDb): Promise<string[]> {
  return [...(await placesById(hall)).values()].sort((a, b) => a.roundOrder - b.roundOrder).map(({ name }) => name);
}

/** Who did it; and who wrote it down, where that was somebody else. */
export function doneByWords(names: ReadonlyMap<string, string>, row: { doneBy: string; enteredBy: string }): string {
  const by = names.get(row.doneBy) ?? "someone";
  return row.enteredBy === row.doneBy ? by : `${by}, noted by ${names.get(row.enteredBy) ?? "someone"}`;
}
