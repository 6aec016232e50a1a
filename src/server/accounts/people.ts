import "server-only";
import { and, asc, eq, inArray, isNull, ne } from "drizzle-orm";
import {
  accounts,
  apiTokens,
  calendarLinks,
  DEVICE_ROLES,
  invitations,
  people,
  PERSON_ROLES,
  type PersonRole,
} from "@/data/schema";
import { type Context, type Doorstep, inTransaction, isConfirmed, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange, stale } from "@/server/kit";
import { noteAccount } from "./accountLog";

/** Said where something that matters asks for the passphrase once more. */
export const CONFIRM_FIRST = "Type your passphrase again first: this matters.";

export interface Member {
  id: string;
  name: string;
  role: PersonRole;
  version: number;
  /** What they sign in with; null while nobody signs in as them. */
  signInName: string | null;
  email: string | null;
  hasSecondStep: boolean;
  hasPin: boolean;
  /** An invitation or a reset that is open. */
  invitedUntil: Date | null;
  /** Whether whoever asks may change this one. */
  mayManage: boolean;
}

const isManaging = (role: string) => role === "owner" || role === "manager";

/** Whether somebody may invite, change or remove a person of a role. */
export function mayManage(context: Context, role: string): boolean {
  return isManaging(role) ? may(context, "people.manage-managers") : may(context, "people.manage");
}

/** Roles that somebody may give, highest first. */
export const rolesToGive = (context: Context): PersonRole[] => PERSON_ROLES.filter((role) => mayManage(context, role));

/** Everybody of the hall who is a person, owner first. Only whoever manages people sees how they sign in. */
export async function listMembers(context: Context, { db }: Doorstep): Promise<Member[]> {
  if (!may(context, "people.manage")) return [];
  const { hall, clock } = context;
  const rows = await hall.rows(people, { where: isNull(people.removedAt), orderBy: [asc(people.name)] });
  const persons = rows.filter(({ role }) => !(DEVICE_ROLES as readonly string[]).includes(role));
  const ids = persons.flatMap(({ accountId }) => accountId ?? []);
  const known = ids.length > 0 ? await db.select().from(accounts).where(inArray(accounts.id, ids)) : [];
  const open = await hall.rows(invitations, {
    where: and(isNull(invitations.usedAt), isNull(invitations.revokedAt)),
  });
  return persons
    .map((person) => {
      const account = known.find(({ id }) => id === person.accountId);
      const ends = open
        .filter(({ personId, endsAt }) => personId === person.id && endsAt > clock.now())
        .map(({ endsAt }) => endsAt);
      return {
        id: person.id,
        name: person.name,
        role: person.role as PersonRole,
        version: person.version,
        signInName: account?.signInName ?? null,
        email: account?.email ?? null,
        hasSecondStep: Boolean(account?.totpSealed),
        hasPin: person.pinHash !== null,
        invitedUntil: ends.sort((a, b) => b.getTime() - a.getTime())[0] ?? null,
        mayManage: mayManage(context, person.role),
      };
    })
    .sort((a, b) => PERSON_ROLES.indexOf(a.role) - PERSON_ROLES.indexOf(b.role));
}

/** A role as somebody typed it. */
export const readRole = (text: string): PersonRole | null =>
  (PERSON_ROLES as readonly string[]).includes(text) ? (text as PersonRole) : null;

/** Changes what somebody may. The last owner stays owner. */
export async function changeRole(
  context: Context,
  asked: { personId: string; role: string; version: number },
): Promise<Outcome<object>> {
  const role = readRole(asked.role);
  if (!may(context, "people.manage")) return forbidden("change roles");
  if (!role) return failed("invalid", "Choose a role.", [{ path: "role", message: "Role: choose one of the list." }]);
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  return inTransaction(context, async (context) => {
    const person = await heldPerson(context, asked.personId);
    if (!person) return notFound("such person");
    if (!mayManage(context, person.role) || !mayManage(context, role))
      return failed("forbidden", "Only an owner may make or change owners and managers.");
    if (person.version !== asked.version)
      return stale(`Someone else changed ${person.name} meanwhile: now ${person.role}.`, person.version);
    if (person.role === "owner" && role !== "owner" && (await isLastOwner(context, person.id)))
      return failed("impossible", "This is the gym's only owner. Make someone else owner first.");
    await context.hall.update(people, eq(people.id, person.id), { role, version: person.version + 1 });
    await recordChange(context, {
      entity: "person",
      entityId: person.id,
      action: "role changed",
      before: { role: person.role },
      after: { role },
    });
    await noteAccount(context, "role-changed", `${person.name}: ${person.role} → ${role}`);
    return { ok: true as const };
  });
}

/** Takes somebody out: sessions, tokens, addresses and PIN are dead at once; what they did stays theirs. */
export async function removePerson(
  context: Context,
  asked: { personId: string; version: number },
): Promise<Outcome<object>> {
  if (!may(context, "people.manage")) return forbidden("remove people");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  return inTransaction(context, async (context) => {
    const { hall, clock } = context;
    const person = await heldPerson(context, asked.personId);
    if (!person) return notFound("such person");
    if (!mayManage(context, person.role)) return failed("forbidden", "Only an owner may remove owners and managers.");
    if (person.version !== asked.version)
      return stale(`Someone else changed ${person.name} meanwhile: now ${person.role}.`, person.version);
    if (person.role === "owner" && (await isLastOwner(context, person.id)))
      return failed("impossible", "This is the gym's only owner. Make someone else owner first.");
    const at = clock.now();
    await hall.update(people, eq(people.id, person.id), {
      removedAt: at,
      accountId: null,
      pinHash: null,
      version: person.version + 1,
    });
    await hall.update(invitations, and(eq(invitations.personId, person.id), isNull(invitations.usedAt)), {
      revokedAt: at,
    });
    await hall.update(apiTokens, and(eq(apiTokens.personId, person.id), isNull(apiTokens.revokedAt)), {
      revokedAt: at,
    });
    await hall.update(calendarLinks, and(eq(calendarLinks.personId, person.id), isNull(calendarLinks.revokedAt)), {
      revokedAt: at,
    });
    await recordChange(context, {
      entity: "person",
      entityId: person.id,
      action: "removed",
      before: { name: person.name, role: person.role },
    });
    await noteAccount(context, "person-removed", person.name);
    return { ok: true as const };
  });
}

/** The person's row, held against others who change it; null where there is none who is a person and still here. */
export async function heldPerson({ hall }: Context, id: string) {
  if (!/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await hall.first(people, { where: and(eq(people.id, id), isNull(people.removedAt)), forUpdate: true });
  return row && !(DEVICE_ROLES as readonly string[]).includes(row.role) ? row : null;
}

async function isLastOwner({ hall }: Context, id: string): Promise<boolean> {
  // Two owners who take each other out at once take turns.
  await hall.hold("owners");
  const others = await hall.rows(people, {
    where: and(eq(people.role, "owner"), isNull(people.removedAt), ne(people.id, id)),
  });
  return others.length === 0;
}
