import "server-only";
import type { Context } from "./context";
import { byHall, forgetHall, type Kept } from "./keptHalls";
import { onNews } from "./news";

/** No answer is older, whatever was missed. */
const LONGEST_MS = 5_000;
/** Halls that are kept at once. */
const MAX_HALLS = 500;
const MAX_NAMES = 100;

/**
 * What every page shows and few writes change, kept for a few seconds: until anything of the hall is written, by this
 * copy of the program or another. The role is part of the name: what one may see another may not.
 *
 * @param read reads it; a failure is not kept.
 */
export function keptBriefly<T>(context: Context, name: string, read: () => Promise<T>): Promise<T> {
  const { hallId, role, personId } = context.actor;
  let hall = byHall.get(hallId);
  if (!hall) {
    if (byHall.size >= MAX_HALLS) return read();
    byHall.set(hallId, (hall = new Map<string, Kept>()));
    onNews(context, () => forgetHall(hallId));
  }
  const key = `${name} ${role} ${personId} ${context.clock.today}`;
  const known = hall.get(key);
  if (known && performance.now() - known.readAt < LONGEST_MS) return known.value as Promise<T>;
  const value = read();
  // A name may hold what was asked for: of many the oldest go.
  if (hall.size >= MAX_NAMES) hall.delete(hall.keys().next().value!);
  const fresh = { readAt: performance.now(), value };
  hall.set(key, fresh);
  value.catch(() => hall.get(key) === fresh && hall.delete(key));
  return value;
}
