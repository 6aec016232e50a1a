import "server-only";
import { timingSafeEqual } from "node:crypto";
import { and, asc, desc, eq, isNull, sql } from "drizzle-orm";
import { accounts, DEVICE_ROLES, halls, people, sessions } from "@/data/schema";
import { groupBy } from "@/core/collections/groupBy";
import { type Doorstep, hashOf, setCookie } from "@/server/access";
import { type Outcome, failed, notFound } from "@/server/kit";
import { noteAtDoor } from "./accountLog";
import { forgetWrong, noteWrong, secondsToSlow, waitWords } from "./limits";
import { isPassphrase } from "./passphrase";
import { beginSession, leaveOldSession } from "./sessions";
import { isSecondStep } from "./secondStep";

/** Said of a wrong name and of a wrong passphrase alike: nobody learns who has an account here. */
const WRONG = "Name and passphrase do not go together.";

/**
 * Signs somebody in by name or mail address.
 *
 * @param asked `code` is of the second step, or one of the spare codes; empty while it was not asked for.
 * @returns `needsCode` when the passphrase is right and the account has a second step: nobody is in yet.
 */
export async function signIn(
  step: Doorstep,
  asked: { name: string; passphrase: string; code: string },
): Promise<Outcome<{ needsCode: boolean }>> {
  const name = asked.name.trim().toLowerCase();
  if (name === "" || asked.passphrase === "")
    return failed("invalid", "Type your name and your passphrase.", [
      ...(name === "" ? [{ path: "name", message: "Name or e-mail: type the one you joined with." }] : []),
      ...(asked.passphrase === "" ? [{ path: "passphrase", message: "Passphrase: it is needed." }] : []),
    ]);
  const { db, address } = step;
  const key = hashOf(name).slice(0, 32);
  const wait = await secondsToSlow(db, key, address);
  if (wait !== null) return failed("invalid", waitWords(wait));
  const [account] = await db
    .select()
    .from(accounts)
    .where(name.includes("@") ? eq(sql`lower(${accounts.email})`, name) : eq(sql`lower(${accounts.signInName})`, name))
    .limit(1);
  const isRight = await isPassphrase(asked.passphrase, account?.passphraseHash ?? null);
  const persons = account ? await personsOf(step, account.id) : [];
  const wrong = async (message: string, path: string) => {
    await noteWrong(db, key, address);
    await noteAtDoor(
      db,
      step,
      ...persons.map(({ hallId, personId }) => ({ hallId, personId, kind: "sign-in-failed" as const, subject: path })),
    );
    step.log.warn({ address }, "sign-in failed");
    return failed("invalid", message, [{ path, message }]);
  };
  if (!account || !isRight) return wrong(WRONG, "passphrase");
  if (persons.length === 0) return failed("forbidden", "You are no longer a member of a gym here. Ask its owner.");
  if (account.totpSealed) {
    if (asked.code.trim() === "") return { ok: true, needsCode: true };
    if (!(await isSecondStep(step, account, asked.code)))
      return wrong("Code: not right, or used already. Take the next one.", "code");
  }
  await forgetWrong(db, key, address);
  await enterAs(step, account.id, persons);
  return { ok: true, needsCode: false };
}

/** Begins the session of an account whose key was right: where they were last, else in their first hall. */
export async function enterAs(step: Doorstep, accountId: string, persons: { hallId: string; personId: string }[]) {
  const { db } = step;
  const [last] = await db
    .select({ personId: sessions.personId })
    .from(sessions)
    .where(eq(sessions.accountId, accountId))
    .orderBy(desc(sessions.createdAt))
    .limit(1);
  const person = persons.find(({ personId }) => personId === last?.personId) ?? persons[0]!;
  const token = await db.transaction(async (tx) => {
    await noteAtDoor(tx, step, { ...person, kind: "signed-in" });
    return beginSession(tx, step, { accountId, personId: person.personId });
  });
  await leaveOldSession(step);
  await setCookie(token);
}

/** Whom an account is, hall by hall. */
export const personsOf = ({ db }: Pick<Doorstep, "db">, accountId: string) =>
  db
    .select({ hallId: people.hallId, personId: people.id })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .where(and(eq(people.accountId, accountId), isNull(people.removedAt)))
    .orderBy(asc(halls.createdAt));

/** Everybody whom somebody may pick in a demonstration, hall by hall; nobody anywhere else. */
export async function peopleToPick({ db }: Doorstep) {
  const rows = await db
    .select({ hallName: halls.name, id: people.id, name: people.name, role: people.role })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .where(and(eq(halls.isDemo, true), isNull(people.removedAt)))
    .orderBy(asc(halls.createdAt), asc(halls.id), asc(people.name));
  const persons = rows.filter(({ role }) => !(DEVICE_ROLES as readonly string[]).includes(role));
  return [...groupBy(persons, ({ hallName }) => hallName)].map(([hallName, list]) => ({ hallName, people: list }));
}

/** Becomes a person of a demonstration. Where the network reaches it, the code that it printed is asked for. */
export async function pickPerson(step: Doorstep, asked: { personId: string; code: string }): Promise<Outcome<object>> {
  const { db, address, demoCode } = step;
  if (demoCode !== null) {
    const wait = await secondsToSlow(db, "demonstration", address);
    if (wait !== null) return failed("invalid", waitWords(wait));
    if (!isSame(asked.code.trim(), demoCode)) {
      await noteWrong(db, "demonstration", address);
      const message = "Code: not the one that the demonstration printed when it started.";
      return failed("invalid", message, [{ path: "code", message }]);
    }
    await forgetWrong(db, "demonstration", address);
  }
  const persons = (await peopleToPick(step)).flatMap(({ people: list }) => list);
  const person = persons.find(({ id }) => id === asked.personId);
  if (!person) return notFound("such person in the demonstration");
  await leaveOldSession(step);
  await setCookie(await beginSession(db, step, { accountId: null, personId: person.id }));
  return { ok: true };
}

function isSame(one: string, other: string): boolean {
  const [a, b] = [one, other].map((text) => Buffer.from(hashOf(text)));
  return timingSafeEqual(a!, b!);
}
