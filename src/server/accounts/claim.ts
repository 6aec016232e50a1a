import "server-only";
import { and, asc, eq, inArray, isNotNull, isNull, notExists, sql } from "drizzle-orm";
import { CLIMATE_CLASSES, type ClimateClass } from "@/core/care/climateClass";
import { isTimeZone } from "@/core/units/hallDay";
import { doorsOf } from "@/data/claims";
import { HallDb } from "@/data/hallDb";
import { makeHallIn } from "@/data/newHall";
import { claims, halls, people } from "@/data/schema";
import { type Doorstep, hashOf, setCookie } from "@/server/access";
import { type Outcome, failed } from "@/server/kit";
import { noteAtDoor } from "./accountLog";
import { secondsUntilAllowed } from "./limits";
import { accountProblems, insertAccount, type NewAccount } from "./newAccount";
import { Refused, refusedWith } from "./refused";
import { beginSession } from "./sessions";

/** What the first owner says of the gym. */
export interface GymFacts {
  name: string;
  timeZone: string;
  massUnit: string;
  climate: string;
  currency: string;
  /** How the owner is called. */
  owner: string;
}

/** Whether a claim's address is good, and what is known of the gym already; null when it is not. */
export async function claimOf({ db, address }: Doorstep, token: string): Promise<{ facts: Partial<GymFacts> } | null> {
  const [claim] = /^[\w-]{43}$/.test(token)
    ? await db
        .select()
        .from(claims)
        .where(and(eq(claims.tokenSha256, hashOf(token)), isNull(claims.usedAt)))
    : [];
  // An owner may have been made at the command line meanwhile.
  if (!claim || (await doorsOf(db)).accounts > 0) {
    await secondsUntilAllowed(db, "address-from", address);
    return null;
  }
  const hall = await unclaimedHall(db);
  return {
    facts: hall
      ? {
          name: hall.name,
          timeZone: hall.timeZone,
          massUnit: hall.massUnit,
          climate: hall.climateClass,
          currency: hall.currency,
          owner: (await firstOf(db, hall.id))?.name ?? "",
        }
      : {},
  };
}

/** Makes the gym somebody's: the hall, its owner, their account; and they are in. All of it or nothing. */
export async function claimGym(step: Doorstep, token: string, typed: GymFacts & NewAccount): Promise<Outcome<object>> {
  const { db, now } = step;
  if (!(await claimOf(step, token)))
    return failed(
      "not-found",
      "This address was used already or is not the newest. Start Garrison again for a new one.",
    );
  const [name, owner] = [typed.name.trim(), typed.owner.trim()];
  const problems = [
    ...(name === "" || name.length > 80 ? [{ path: "name", message: "Gym: 1 to 80 characters." }] : []),
    ...(isTimeZone(typed.timeZone) ? [] : [{ path: "timeZone", message: "Time zone: like Europe/Lisbon." }]),
    ...(["kg", "lb"].includes(typed.massUnit) ? [] : [{ path: "massUnit", message: "Units: kg or lb." }]),
    ...((CLIMATE_CLASSES as readonly string[]).includes(typed.climate)
      ? []
      : [{ path: "climate", message: "Climate: choose one of the list." }]),
    ...(/^[A-Z]{3}$/.test(typed.currency) ? [] : [{ path: "currency", message: "Currency: three letters, like EUR." }]),
    ...(owner === "" || owner.length > 80 ? [{ path: "owner", message: "Your name: 1 to 80 characters." }] : []),
    ...accountProblems(typed, [name, owner]),
  ];
  if (problems.length > 0) return failed("invalid", "The gym is not claimed yet.", problems);
  const facts = {
    name,
    timeZone: typed.timeZone,
    massUnit: typed.massUnit as "kg" | "lb",
    climateClass: typed.climate as ClimateClass,
    currency: typed.currency,
  };
  const at = now();
  const done = await db
    .transaction(async (tx) => {
      const used = await tx
        .update(claims)
        .set({ usedAt: at })
        .where(and(eq(claims.tokenSha256, hashOf(token)), isNull(claims.usedAt)))
        .returning({ id: claims.id });
      if (used.length === 0 || (await doorsOf(tx)).accounts > 0) return null;
      const account = await insertAccount(tx, at, typed);
      if ("problems" in account) throw new Refused(account.problems);
      const unclaimed = await unclaimedHall(tx);
      const hallId = unclaimed?.id ?? (await makeHallIn(tx, facts));
      if (unclaimed) await tx.update(halls).set(facts).where(eq(halls.id, hallId));
      const hall = new HallDb(tx, hallId, { isNew: true });
      const first = unclaimed && (await firstOf(tx, hallId));
      const person = { name: owner, role: "owner" as const, accountId: account.id };
      const [row] = first
        ? await hall.update(people, eq(people.id, first.id), person)
        : await hall.insert(people, person);
      await noteAtDoor(tx, step, { hallId, personId: row!.id, kind: "claimed" });
      return { ok: true as const, cookie: await beginSession(tx, step, { accountId: account.id, personId: row!.id }) };
    })
    .catch(refusedWith("The gym is not claimed yet."));
  if (!done) return failed("not-found", "Someone claimed this gym a moment ago.");
  if (!done.ok) return done;
  await setCookie(done.cookie);
  return { ok: true };
}

type Executor = Pick<Doorstep["db"], "select">;

/** The oldest hall of a gym's own in which nobody signs in yet. */
async function unclaimedHall(db: Executor) {
  const [hall] = await db
    .select()
    .from(halls)
    .where(
      and(
        eq(halls.isDemo, false),
        notExists(
          db
            .select({ one: sql`1` })
            .from(people)
            .where(and(eq(people.hallId, halls.id), isNotNull(people.accountId))),
        ),
      ),
    )
    .orderBy(asc(halls.createdAt))
    .limit(1);
  return hall ?? null;
}

async function firstOf(db: Executor, hallId: string) {
  const [person] = await db
    .select()
    .from(people)
    .where(and(eq(people.hallId, hallId), inArray(people.role, ["owner", "manager"]), isNull(people.removedAt)))
    .orderBy(asc(people.name))
    .limit(1);
  return person ?? null;
}
