import "server-only";
import { and, eq, gt, isNull, sql } from "drizzle-orm";
import { readInvitation } from "@/core/house/doorTexts";
import { HallDb } from "@/data/hallDb";
import { accounts, halls, invitations, people, type PersonRole } from "@/data/schema";
import { type Context, type Doorstep, hashOf, inTransaction, may, newToken, setCookie } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { noteAccount, noteAtDoor } from "./accountLog";
import { secondsUntilAllowed, waitWords } from "./limits";
import { sendLetters, writeLetter } from "./letters";
import { accountProblems, insertAccount, type NewAccount } from "./newAccount";
import { passphraseHash, passphraseProblems } from "./passphrase";
import { heldPerson, mayManage, readRole } from "./people";
import { Refused, refusedWith } from "./refused";
import { beginSession, endAllOf } from "./sessions";
import { personsOf } from "./signIn";

const DAY_MS = 86_400_000;
const INVITE_MS = 7 * DAY_MS;
/** A reset is for somebody who is waiting for it. */
const RESET_MS = DAY_MS;

const addressOf = (publicUrl: string, token: string) => `${publicUrl}/join/${token}`;

/** Invites somebody new. The address is told once; where there is a mail address it is sent there too. */
export async function invite(
  context: Context,
  step: Doorstep,
  asked: { name: string; role: string; email: string },
): Promise<Outcome<{ address: string; personId: string }>> {
  if (!may(context, "people.manage")) return forbidden("invite people");
  const [read, role] = [readInvitation(asked), readRole(asked.role)];
  const problems = [
    ...(read.ok ? [] : read.problems),
    ...(role ? [] : [{ path: "role", message: "Role: choose one of the list." }]),
  ];
  if (!read.ok || problems.length > 0) return failed("invalid", "Nobody was invited.", problems);
  const { name, email } = read;
  if (!mayManage(context, role!)) return failed("forbidden", "Only an owner may invite owners and managers.");
  const done = await inTransaction(context, async (context) => {
    const [person] = await context.hall.insert(people, { name, role: role! });
    await recordChange(context, {
      entity: "person",
      entityId: person!.id,
      action: "added",
      after: { name, role },
    });
    const address = await newInvitation(context, person!, "invite");
    await noteAccount(context, "invited", `${name} as ${role}`);
    if (email !== "") {
      const { hall, clock, actor } = context;
      await writeLetter(
        hall,
        clock.now(),
        letterOf("invite", actor.hallName, address, { toAddress: email, from: actor }),
      );
    }
    return { ok: true as const, address, personId: person!.id };
  });
  void sendLetters(step).catch((error: unknown) => step.log.warn({ err: error }, "letters were not sent"));
  return done;
}

/** A new address for somebody who has not joined yet, or lost the passphrase; the one before counts no more. */
export async function inviteAgain(
  context: Context,
  step: Doorstep,
  personId: string,
): Promise<Outcome<{ address: string }>> {
  if (!may(context, "people.manage")) return forbidden("invite people");
  return inTransaction(context, async (context) => {
    const person = await heldPerson(context, personId);
    if (!person) return notFound("such person");
    if (!mayManage(context, person.role))
      return failed("forbidden", "Only an owner may make links for owners and managers.");
    const isReset = person.accountId !== null;
    // Whoever manages one gym must not be able to take over somebody's account in another.
    const others = person.accountId ? await personsOf(step, person.accountId) : [];
    if (others.some(({ hallId }) => hallId !== context.actor.hallId))
      return failed(
        "impossible",
        "This account belongs to another gym too. They ask for a new passphrase themselves, by mail, on the sign-in page.",
      );
    const address = await newInvitation(context, person, isReset ? "reset" : "invite");
    await noteAccount(context, isReset ? "reset-made" : "invited", person.name);
    return { ok: true as const, address };
  });
}

async function newInvitation(
  { hall, clock, actor, publicUrl }: Context,
  person: { id: string },
  kind: "invite" | "reset",
): Promise<string> {
  const [token, at] = [newToken(), clock.now()];
  await hall.update(
    invitations,
    and(eq(invitations.personId, person.id), isNull(invitations.usedAt), isNull(invitations.revokedAt)),
    { revokedAt: at },
  );
  await hall.insert(invitations, {
    personId: person.id,
    kind,
    tokenSha256: hashOf(token),
    madeBy: actor.personId,
    createdAt: at,
    endsAt: new Date(at.getTime() + (kind === "invite" ? INVITE_MS : RESET_MS)),
  });
  return addressOf(publicUrl, token);
}

/** What is written to somebody who is invited, or who asked for a new passphrase. */
function letterOf(
  kind: "invite" | "reset",
  hallName: string,
  address: string,
  { toAddress, from = null }: { toAddress: string; from?: { personId: string; name: string } | null },
) {
  const isInvite = kind === "invite";
  return {
    toAddress,
    madeBy: from?.personId ?? null,
    subject: isInvite ? `${hallName} invites you to Garrison` : `A new passphrase for ${hallName}`,
    body: [
      isInvite
        ? `${from?.name ?? ""} invites you to look after the bars of ${hallName}.`
        : `Someone asked for a new passphrase for your account at ${hallName}.`,
      "",
      `Open this address once, within ${isInvite ? "seven days" : "a day"}:`,
      address,
      "",
      isInvite ? "If you did not expect this, do nothing." : "If it was not you, do nothing: the old one still works.",
    ].join("\n"),
  };
}

/**
 * Somebody asks for a new passphrase by mail. The answer is the same whether there is such an account or not.
 *
 * @returns after about as long either way
 */
export async function askForReset(step: Doorstep, typed: string): Promise<Outcome<object>> {
  const name = typed.trim().toLowerCase();
  const { db, now, publicUrl, address: from } = step;
  const wait = await secondsUntilAllowed(db, "address-from", from);
  if (wait !== null) return failed("invalid", waitWords(wait));
  const [account] = await db
    .select()
    .from(accounts)
    .where(name.includes("@") ? eq(sql`lower(${accounts.email})`, name) : eq(sql`lower(${accounts.signInName})`, name))
    .limit(1);
  const [person] = account ? await personsOf(step, account.id) : [];
  // Without a mail server nothing would go out, and a link that waits is a link that somebody finds.
  if (step.mail && account?.email && person && (await secondsUntilAllowed(db, "letter", account.id)) === null) {
    const [token, at, email] = [newToken(), now(), account.email];
    await db.transaction(async (tx) => {
      const hall = new HallDb(tx, person.hallId, { isNew: true });
      await hall.insert(invitations, {
        personId: person.personId,
        kind: "reset",
        tokenSha256: hashOf(token),
        createdAt: at,
        endsAt: new Date(at.getTime() + RESET_MS),
      });
      const [{ hallName } = { hallName: "" }] = await tx
        .select({ hallName: halls.name })
        .from(halls)
        .where(eq(halls.id, person.hallId));
      await writeLetter(hall, at, letterOf("reset", hallName, addressOf(publicUrl, token), { toAddress: email }));
      await noteAtDoor(tx, step, { ...person, kind: "reset-asked" });
    });
    void sendLetters(step).catch((error: unknown) => step.log.warn({ err: error }, "letters were not sent"));
  }
  return { ok: true };
}

export interface Invitation {
  id: string;
  kind: "invite" | "reset";
  hallId: string;
  hallName: string;
  personId: string;
  personName: string;
  role: PersonRole;
  accountId: string | null;
  madeBy: string | null;
}

/** What an address invites to; null when it was used, has run out, was replaced, or never was. */
export async function invitationOf({ db, now, address }: Doorstep, token: string): Promise<Invitation | null> {
  if (!/^[\w-]{43}$/.test(token)) return null;
  const [row] = await db
    .select({ invitation: invitations, person: people, hallName: halls.name })
    .from(invitations)
    .innerJoin(people, eq(people.id, invitations.personId))
    .innerJoin(halls, eq(halls.id, invitations.hallId))
    .where(
      and(
        eq(invitations.tokenSha256, hashOf(token)),
        isNull(invitations.usedAt),
        isNull(invitations.revokedAt),
        gt(invitations.endsAt, now()),
        isNull(people.removedAt),
      ),
    )
    .limit(1);
  if (!row) {
    await secondsUntilAllowed(db, "address-from", address);
    return null;
  }
  const { invitation, person, hallName } = row;
  return {
    id: invitation.id,
    kind: invitation.kind,
    hallId: invitation.hallId,
    hallName,
    personId: person.id,
    personName: person.name,
    role: person.role as PersonRole,
    accountId: person.accountId,
    madeBy: invitation.madeBy,
  };
}

const GONE = "This address was used already, has run out, or was replaced by a newer one. Ask for a new one.";

/** Marks an invitation used, for whoever comes first. */
async function isFirstToUse(
  tx: Doorstep["db"] | Parameters<Parameters<Doorstep["db"]["transaction"]>[0]>[0],
  id: string,
  at: Date,
) {
  const used = await tx
    .update(invitations)
    .set({ usedAt: at })
    .where(and(eq(invitations.id, id), isNull(invitations.usedAt), isNull(invitations.revokedAt)))
    .returning({ id: invitations.id });
  return used.length > 0;
}

/** Somebody accepts an invitation with a new account, and is in. All of it or nothing. */
export async function joinWithNewAccount(step: Doorstep, token: string, typed: NewAccount): Promise<Outcome<object>> {
  const found = await invitationOf(step, token);
  if (!found || found.kind !== "invite" || found.accountId) return failed("not-found", GONE);
  const problems = accountProblems(typed, [found.hallName, found.personName]);
  if (problems.length > 0) return failed("invalid", "Not joined yet.", problems);
  return joined(step, found, async (tx) => insertAccount(tx, step.now(), typed));
}

/** Somebody who has an account and is signed in accepts with it. */
export async function joinWithOwnAccount(context: Context, step: Doorstep, token: string): Promise<Outcome<object>> {
  const { door } = context;
  if (door.kind !== "session" || door.accountId === null)
    return failed("forbidden", "Sign in with your account first.");
  const accountId = door.accountId;
  const found = await invitationOf(step, token);
  if (!found || found.kind !== "invite" || found.accountId) return failed("not-found", GONE);
  const persons = await personsOf(step, accountId);
  if (persons.some(({ hallId }) => hallId === found.hallId))
    return failed("impossible", `Your account is a member of ${found.hallName} already.`);
  return joined(step, found, async () => ({ id: accountId }));
}

type Tx = Parameters<Parameters<Doorstep["db"]["transaction"]>[0]>[0];

/** Everything that joining writes, or nothing. */
async function joined(
  step: Doorstep,
  found: Invitation,
  account: (tx: Tx) => ReturnType<typeof insertAccount>,
): Promise<Outcome<object>> {
  const at = step.now();
  const result = await step.db
    .transaction(async (tx) => {
      if (!(await isFirstToUse(tx, found.id, at))) return failed("not-found", GONE);
      const made = await account(tx);
      // What was marked used is not: the transaction is given up.
      if ("problems" in made) throw new Refused(made.problems);
      await tx.update(people).set({ accountId: made.id }).where(eq(people.id, found.personId));
      await noteAtDoor(tx, step, { hallId: found.hallId, personId: found.personId, kind: "joined" });
      return {
        ok: true as const,
        token: await beginSession(tx, step, { accountId: made.id, personId: found.personId }),
      };
    })
    .catch(refusedWith("Not joined yet."));
  if (!result.ok) return result;
  await setCookie(result.token);
  return { ok: true };
}

/** Somebody chooses a new passphrase by a reset's address; every session of theirs ends, and this one begins. */
export async function resetPassphrase(step: Doorstep, token: string, passphrase: string): Promise<Outcome<object>> {
  const found = await invitationOf(step, token);
  if (!found || found.kind !== "reset" || !found.accountId) return failed("not-found", GONE);
  const { accountId } = found;
  const problems = passphraseProblems(passphrase, [found.hallName, found.personName]);
  if (problems.length > 0) return failed("invalid", "The passphrase was not changed.", problems);
  const passphraseKept = await passphraseHash(passphrase);
  const at = step.now();
  const cookie = await step.db.transaction(async (tx) => {
    if (!(await isFirstToUse(tx, found.id, at))) return null;
    // Made by somebody who knows them: for one who lost the telephone too. By mail alone the second step stays.
    const secondStep = found.madeBy ? { totpSealed: null, totpStep: null, spareCodes: null } : {};
    const [account] = await tx
      .update(accounts)
      .set({ passphraseHash: passphraseKept, passphraseAt: at, ...secondStep })
      .where(eq(accounts.id, accountId))
      .returning();
    await endAllOf(tx, accountId, at);
    await noteAtDoor(tx, step, { hallId: found.hallId, personId: found.personId, kind: "passphrase-changed" });
    // With a second step the new passphrase alone lets nobody in.
    return account!.totpSealed ? "" : beginSession(tx, step, { accountId, personId: found.personId });
  });
  if (cookie === null) return failed("not-found", GONE);
  if (cookie !== "") await setCookie(cookie);
  return { ok: true };
}
