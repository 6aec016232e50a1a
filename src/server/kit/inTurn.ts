import "server-only";

/** The last of each kind of work that was begun or waits. */
const tails = new Map<string, Promise<unknown>>();

/**
 * Work on one thing, one piece after the other within this process: ten tablets that touch one run sheet at once take
 * one connection and not ten, so that everybody else's are left. Between processes the row's lock does the same.
 */
export async function inTurn<T>(thing: string, work: () => Promise<T>): Promise<T> {
  const before = tails.get(thing) ?? Promise.resolve();
  const mine = before.then(work, work);
  tails.set(thing, mine);
  try {
    return await mine;
  } finally {
    if (tails.get(thing) === mine) tails.delete(thing);
  }
}
