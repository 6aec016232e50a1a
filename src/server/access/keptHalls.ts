import "server-only";

export interface Kept {
  readAt: number;
  value: Promise<unknown>;
}

/** What is kept briefly, by hall and name; see `briefly.ts`. */
export const byHall = new Map<string, Map<string, Kept>>();

/** Something of a hall was written. */
export function forgetHall(hallId: string): void {
  byHall.get(hallId)?.clear();
}
