import "server-only";
import { eq } from "drizzle-orm";
import { accounts, people } from "@/data/schema";
import { type Context, type Doorstep, isConfirmed } from "@/server/access";
import { type Outcome, failed } from "@/server/kit";
import { noteAccount } from "./accountLog";
import { passphraseHash, passphraseProblems } from "./passphrase";
import { CONFIRM_FIRST } from "./people";
import { endAllOf } from "./sessions";

export interface OwnAccount {
  signInName: string;
  email: string | null;
  hasSecondStep: boolean;
  spareCodes: number;
  hasPin: boolean;
}

/** The account of whoever asks; null in the demonstration. */
export async function ownAccount({ door, hall, actor }: Context, { db }: Doorstep): Promise<OwnAccount | null> {
  if (door.kind !== "session" || door.accountId === null) return null;
  const [[account], person] = await Promise.all([
    db.select().from(accounts).where(eq(accounts.id, door.accountId)),
    hall.first(people, { where: eq(people.id, actor.personId) }),
  ]);
  if (!account) return null;
  return {
    signInName: account.signInName,
    email: account.email,
    hasSecondStep: account.totpSealed !== null,
    spareCodes: account.spareCodes?.length ?? 0,
    hasPin: Boolean(person?.pinHash),
  };
}

/** Chooses a new passphrase; every other session of the account ends. */
export async function changePassphrase(
  context: Context,
  { db, now }: Doorstep,
  passphrase: string,
): Promise<Outcome<object>> {
  const { door, actor } = context;
  if (door.kind !== "session" || door.accountId === null) return failed("forbidden", "You have no account here.");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  const problems = passphraseProblems(passphrase, [actor.name, actor.hallName]);
  if (problems.length > 0) return failed("invalid", "The passphrase was not changed.", problems);
  const { accountId, sessionId } = door;
  const kept = await passphraseHash(passphrase);
  await db.transaction(async (tx) => {
    await tx.update(accounts).set({ passphraseHash: kept, passphraseAt: now() }).where(eq(accounts.id, accountId));
    await endAllOf(tx, accountId, now(), sessionId);
  });
  await noteAccount(context, "passphrase-changed");
  return { ok: true };
}
