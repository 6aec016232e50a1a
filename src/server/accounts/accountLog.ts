import "server-only";
import { and, desc, eq, lt } from "drizzle-orm";
import { accountLog, people } from "@/data/schema";
import { type Database, type Context, type Doorstep, may } from "@/server/access";

/** What is written down of doors and of what is taken out of the hall. */
export const ACCOUNT_EVENTS = {
  claimed: "claimed the gym",
  "signed-in": "signed in",
  "sign-in-failed": "sign-in failed",
  "signed-out": "signed out",
  "sessions-ended": "signed out everywhere",
  confirmed: "typed the passphrase again",
  "confirm-failed": "wrong passphrase when asked again",
  "passphrase-changed": "changed the passphrase",
  "reset-made": "made a reset link",
  "reset-asked": "asked for a reset by mail",
  invited: "invited",
  joined: "accepted an invitation",
  "role-changed": "changed a role",
  "person-removed": "removed a person",
  "second-step-on": "turned the second step on",
  "second-step-off": "turned the second step off",
  "passkey-added": "added a passkey",
  "passkey-removed": "removed a passkey",
  "pin-set": "set a PIN",
  "pin-failed": "wrong PIN on a tablet",
  "device-paired": "paired a tablet",
  "device-revoked": "revoked a tablet",
  "token-made": "made a token",
  "token-revoked": "revoked a token",
  exported: "exported the hall",
  imported: "imported a file",
  erased: "erased a lifter",
  "archive-taken": "downloaded the hall's archive",
  "archive-restored": "restored an archive",
  restored: "a backup was restored on the computer itself",
  "backup-made": "made a backup",
  "drill-done": "tried a restore",
} as const;
export type AccountEvent = keyof typeof ACCOUNT_EVENTS;

interface Line {
  hallId: string;
  kind: AccountEvent;
  personId: string | null;
  subject?: string;
}

/** Writes a line at the doorstep, in whatever transaction `db` is. */
export async function noteAtDoor(
  db: Pick<Database, "insert">,
  { now, address, agent }: Pick<Doorstep, "now" | "address" | "agent">,
  ...lines: Line[]
): Promise<void> {
  if (lines.length > 0)
    await db.insert(accountLog).values(lines.map((line) => ({ ...line, at: now(), address, agent })));
}

/** Writes a line about what somebody did who is in. */
export async function noteAccount(context: Context, kind: AccountEvent, subject = ""): Promise<void> {
  const { hall, actor, clock, address, agent } = context;
  await hall.insert(accountLog, { kind, personId: actor.personId || null, subject, at: clock.now(), address, agent });
}

export interface AccountLine {
  id: string;
  at: Date;
  kind: AccountEvent;
  person: string | null;
  subject: string;
  address: string;
  agent: string;
}

/** The newest lines, for the owner; before a moment when one is given. */
export async function accountLines(
  context: Context,
  { limit = 100, before }: { limit?: number; before?: Date } = {},
): Promise<AccountLine[]> {
  if (!may(context, "account-log.read")) return [];
  const rows = await context.hall.rowsWith(
    accountLog,
    { person: { table: people, on: eq(people.id, accountLog.personId), columns: { name: people.name } } },
    {
      where: before ? and(lt(accountLog.at, before)) : undefined,
      orderBy: [desc(accountLog.at), desc(accountLog.id)],
      limit,
    },
  );
  return rows.map(({ row, person }) => ({
    id: row.id,
    at: row.at,
    kind: row.kind as AccountEvent,
    person: person?.name ?? null,
    subject: row.subject,
    address: row.address,
    agent: row.agent,
  }));
}
