import "server-only";
import { asc, eq } from "drizzle-orm";
import { getIronSession } from "iron-session";
import { cookies } from "next/headers";
import { cache } from "react";
import { groupBy } from "@/core/collections/groupBy";
import type { ClimateClass } from "@/core/care/climateClass";
import { hallDayAt, type HallDay } from "@/core/units/hallDay";
import { database } from "@/data/client";
import { HallDb } from "@/data/hallDb";
import { halls, people } from "@/data/schema";
import type { Role } from "./permissions";

/** Who is asking, in which hall, and what day it is there. Decided here and nowhere else. */
export interface Who {
  personId: string;
  name: string;
  role: Role;
  hallId: string;
  hallName: string;
  timeZone: string;
  climateClass: ClimateClass;
  /** ISO 4217 code in which prices are kept. */
  currency: string;
  today: HallDay;
}

interface Session {
  personId?: string;
}

/**
 * The person of the session cookie. Until accounts exist, whoever has no cookie is the manager of the first hall,
 * and a switcher sets the cookie; a bearer token is accepted and ignored.
 */
export const whoIsAsking = cache(async (): Promise<Who> => {
  const { personId } = await session();
  return (personId ? await findWho(personId) : null) ?? (await firstManager());
});

/** Makes the session that of another person; for the switcher of the demo. False when there is no such person. */
export async function becomePerson(personId: string): Promise<boolean> {
  if (!(await findWho(personId))) return false;
  const current = await session();
  current.personId = personId;
  await current.save();
  return true;
}

/** Everybody the switcher offers, hall by hall. */
export async function peopleToBecome(): Promise<
  { hallName: string; people: { id: string; name: string; role: string }[] }[]
> {
  const rows = await database()
    .select({ hallName: halls.name, id: people.id, name: people.name, role: people.role })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .orderBy(asc(halls.createdAt), asc(halls.id), asc(people.name));
  const byHall = groupBy(rows, ({ hallName }) => hallName);
  return [...byHall].map(([hallName, list]) => ({ hallName, people: list }));
}

/** The database as the hall of the one who asks sees it. */
export const hallDb = cache((who: Pick<Who, "hallId">): HallDb => new HallDb(database(), who.hallId));

async function session() {
  return getIronSession<Session>(await cookies(), {
    cookieName: "garrison",
    password: secret(),
    // Plain HTTP on a hall's own network is a supported way to run it.
    cookieOptions: { secure: (process.env.PUBLIC_URL ?? "").startsWith("https:"), sameSite: "lax", httpOnly: true },
  });
}

function secret(): string {
  const value = process.env.GARRISON_SECRET;
  if (!value || value.length < 32)
    throw new Error("GARRISON_SECRET must have at least 32 characters. npm run demo makes one.");
  return value;
}

async function findWho(personId: string): Promise<Who | null> {
  const [row] = await whoQuery().where(eq(people.id, personId)).limit(1);
  return row ? toWho(row) : null;
}

async function firstManager(): Promise<Who> {
  const [row] = await whoQuery()
    .where(eq(people.role, "manager"))
    .orderBy(asc(halls.createdAt), asc(people.name))
    .limit(1);
  if (!row) throw new Error("The database has no hall with a manager yet. npm run demo loads one.");
  return toWho(row);
}

/** A manager of every hall that has one: on whose behalf the program itself acts. */
export async function managerOfEachHall(): Promise<Who[]> {
  const rows = await whoQuery().where(eq(people.role, "manager")).orderBy(asc(halls.createdAt), asc(people.name));
  return [...groupBy(rows, ({ hall }) => hall.id).values()].map(([row]) => toWho(row!));
}

function whoQuery() {
  return database()
    .select({ person: people, hall: halls })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .$dynamic();
}

function toWho({ person, hall }: { person: typeof people.$inferSelect; hall: typeof halls.$inferSelect }): Who {
  return {
    personId: person.id,
    name: person.name,
    role: person.role as Role,
    hallId: hall.id,
    hallName: hall.name,
    timeZone: hall.timeZone,
    climateClass: hall.climateClass as ClimateClass,
    currency: hall.currency,
    today: hallDayAt(new Date(), hall.timeZone),
  };
}
