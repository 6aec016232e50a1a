import { hash } from "@node-rs/argon2";
import { and, asc, eq, inArray, isNull, sql } from "drizzle-orm";
import { ARGON2_COST } from "./argon2Cost";
import type { Database } from "./client";
import { HallDb } from "./hallDb";
import { makeHallIn } from "./newHall";
import { accounts, claims, halls, people, sessions } from "./schema";

/** At the command line of the machine there is no list of what is guessed first; it is longer instead. */
const MIN_PASSPHRASE = 15;

/**
 * What an operator does at the machine itself: makes the first owner of a gym, makes another, or gives one who lost
 * everything a new passphrase, without a second step, signed out everywhere.
 *
 * @returns what was done, as a sentence
 * @throws Error that says what is missing or wrong
 */
export async function makeOwner(
  db: Database,
  {
    OWNER_NAME: name = "",
    OWNER_PASSPHRASE: passphrase = "",
    OWNER_GYM: gym = "",
  }: Readonly<Record<string, string | undefined>>,
  at: Date,
): Promise<string> {
  if (!/^[\p{L}\p{N}][\p{L}\p{N} ._'’-]{1,39}$/u.test(name.trim()))
    throw new Error("--name must be 2 to 40 letters or digits, like Ines.");
  if (passphrase.length < MIN_PASSPHRASE || passphrase.length > 200)
    throw new Error(`The passphrase must have ${MIN_PASSPHRASE} to 200 characters.`);
  const kept = await hash(passphrase.normalize("NFKC"), ARGON2_COST);
  return db.transaction(async (tx) => {
    const own = await tx.select().from(halls).where(eq(halls.isDemo, false)).orderBy(asc(halls.createdAt));
    const named = gym === "" ? own : own.filter((hall) => hall.name === gym);
    if (gym === "" && own.length > 1)
      throw new Error(`Say which gym: --gym "${own.map((hall) => hall.name).join('" or "')}".`);
    const hallId =
      named[0]?.id ??
      (await makeHallIn(tx, {
        name: gym || "Our gym",
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        climateClass: "temperate",
        currency: "EUR",
      }));
    const set = { passphraseHash: kept, passphraseAt: at, totpSealed: null, totpStep: null, spareCodes: null };
    const [known] = await tx
      .update(accounts)
      .set(set)
      .where(eq(sql`lower(${accounts.signInName})`, name.trim().toLowerCase()))
      .returning();
    if (known) await tx.update(sessions).set({ endedAt: at }).where(eq(sessions.accountId, known.id));
    const account =
      known ??
      (
        await tx
          .insert(accounts)
          .values({ signInName: name.trim(), ...set, createdAt: at })
          .returning()
      )[0]!;
    const hall = new HallDb(tx, hallId, { isNew: true });
    const person =
      (await hall.first(people, { where: eq(people.accountId, account.id) })) ??
      // Somebody who was put down as manager before there were accounts.
      (await hall.first(people, {
        where: and(inArray(people.role, ["owner", "manager"]), isNull(people.accountId), isNull(people.removedAt)),
        orderBy: [asc(people.name)],
      }));
    const owner = { role: "owner" as const, accountId: account.id, removedAt: null };
    if (person) await hall.update(people, eq(people.id, person.id), owner);
    else await hall.insert(people, { ...owner, name: name.trim() });
    await tx.update(claims).set({ usedAt: at }).where(isNull(claims.usedAt));
    return known ? `${known.signInName} has a new passphrase and is an owner.` : `${name.trim()} is an owner.`;
  });
}
