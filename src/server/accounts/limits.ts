import "server-only";
import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import type { Database } from "@/server/access";

/* How often something may be tried, counted in the database for all copies of the program. */

const MINUTE = 60;

/** What is limited: so many within so many seconds. */
const LIMITS = {
  /** Wrong passphrases, codes or PINs from one place for one account, before it slows down. */
  "wrong-here": [5, 15 * MINUTE],
  /** The same from everywhere. */
  "wrong-anywhere": [100, 60 * MINUTE],
  /** Wrong ones from one place, whatever the account. */
  "wrong-from": [30, 15 * MINUTE],
  /** Pairing codes tried from one place, and in all: a million codes, ten minutes each. */
  "pairing-from": [10, 10 * MINUTE],
  pairing: [100, 10 * MINUTE],
  /** Addresses of invitations and claims that are none. */
  "address-from": [60, 15 * MINUTE],
  /** Letters to one account. */
  letter: [3, 60 * MINUTE],
  /** Files that somebody sends in. */
  upload: [60, 10 * MINUTE],
} as const;
export type Limit = keyof typeof LIMITS;
/** The longest that a next try is made to wait: it slows, it does not bar. */
const LONGEST_WAIT = 60;

const limiters = new WeakMap<object, Map<string, RateLimiterPostgres>>();

function limiter(db: Database, name: string, points: number, duration: number): RateLimiterPostgres {
  const pool = (db as unknown as { $client: object }).$client;
  let mine = limiters.get(pool);
  if (!mine) limiters.set(pool, (mine = new Map<string, RateLimiterPostgres>()));
  let one = mine.get(name);
  if (!one) {
    one = new RateLimiterPostgres({
      storeClient: pool,
      storeType: "pool",
      tableName: "rate_limits",
      tableCreated: true,
      keyPrefix: name,
      points,
      duration,
      clearExpiredByTimeout: false,
    });
    mine.set(name, one);
  }
  return one;
}

function of(db: Database, limit: Limit): RateLimiterPostgres {
  const [points, duration] = LIMITS[limit];
  return limiter(db, limit, points, duration);
}
const waits = (db: Database) => limiter(db, "wait", 1, LONGEST_WAIT);
const seconds = ({ msBeforeNext }: RateLimiterRes) => Math.max(1, Math.ceil(msBeforeNext / 1000));

/** Counts one try; answers how many seconds it must wait, or null when it may now. */
export async function secondsUntilAllowed(db: Database, limit: Limit, key: string): Promise<number | null> {
  try {
    await of(db, limit).consume(key);
    return null;
  } catch (error) {
    if (error instanceof RateLimiterRes) return seconds(error);
    throw error;
  }
}

/** Seconds that a next try for an account from a place must wait; null when it may be now. Counts nothing. */
export async function secondsToSlow(db: Database, account: string, address: string): Promise<number | null> {
  const [here, from, anywhere] = await Promise.all([
    waits(db).get(`${account} ${address}`),
    of(db, "wrong-from").get(address),
    of(db, "wrong-anywhere").get(account),
  ]);
  if (here && here.remainingPoints <= 0) return seconds(here);
  if (from && from.consumedPoints >= LIMITS["wrong-from"][0]) return Math.min(LONGEST_WAIT, seconds(from));
  // From everywhere at once somebody is guessing: one try in a while, from each place.
  if (anywhere && anywhere.consumedPoints >= LIMITS["wrong-anywhere"][0])
    await waits(db).block(`${account} ${address}`, 10);
  return null;
}

/** Notes a wrong one. After the fifth the next waits 2 s, then 4, 8 … up to a minute. */
export async function noteWrong(db: Database, account: string, address: string): Promise<void> {
  const key = `${account} ${address}`;
  const [here] = await Promise.all([
    of(db, "wrong-here").penalty(key),
    of(db, "wrong-from").penalty(address),
    of(db, "wrong-anywhere").penalty(account),
  ]);
  const over = here.consumedPoints - LIMITS["wrong-here"][0];
  if (over >= 0) await waits(db).block(key, Math.min(LONGEST_WAIT, 2 ** (over + 1)));
}

/** Forgets the wrong ones of somebody who was right. */
export async function forgetWrong(db: Database, account: string, address: string): Promise<void> {
  const key = `${account} ${address}`;
  await Promise.all([of(db, "wrong-here").delete(key), waits(db).delete(key)]);
}

/** What is said to somebody who has to wait. */
export const waitWords = (wait: number): string =>
  `Too many tries. Try again in ${wait < 90 ? `${wait} s` : `${Math.ceil(wait / 60)} minutes`}.`;
