import "server-only";
import { and, asc, eq, isNotNull, isNull } from "drizzle-orm";
import { DEVICE_ROLES, people } from "@/data/schema";
import { type Context, type Doorstep, isConfirmed, sealed, unsealed } from "@/server/access";
import { type Outcome, failed, notFound } from "@/server/kit";
import { noteAccount } from "./accountLog";
import { forgetWrong, noteWrong, secondsToSlow, waitWords } from "./limits";
import { isPassphrase, passphraseHash } from "./passphrase";
import { CONFIRM_FIRST } from "./people";

/* On a shared tablet a touch that matters asks who it is: a short number. It opens nothing elsewhere. */

/** What everybody tries first: one digit again and again, or counting. */
const isObvious = (pin: string) => /^(\d)\1+$/.test(pin) || "01234567890".includes(pin) || "09876543210".includes(pin);

/** Chooses one's own PIN, four to eight digits; an empty one takes it away. */
export async function setPin(context: Context, pin: string): Promise<Outcome<object>> {
  const { actor, hall } = context;
  if (context.door.kind !== "session") return failed("forbidden", "Sign in as a person first.");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  if (pin !== "" && (!/^\d{4,8}$/.test(pin) || isObvious(pin)))
    return failed("invalid", "The PIN was not set.", [
      { path: "pin", message: "PIN: four to eight digits, not 1234 or 0000." },
    ]);
  const pinHash = pin === "" ? null : await passphraseHash(pin);
  await hall.update(people, eq(people.id, actor.personId), { pinHash });
  await noteAccount(context, "pin-set", pin === "" ? "removed" : "");
  return { ok: true };
}

/** People whose PIN counts on a tablet of this hall, by name. */
export async function peopleWithPin({ hall }: Context): Promise<{ id: string; name: string }[]> {
  const rows = await hall.rows(people, {
    where: and(isNotNull(people.pinHash), isNull(people.removedAt)),
    orderBy: [asc(people.name)],
  });
  return rows
    .filter(({ role }) => !(DEVICE_ROLES as readonly string[]).includes(role))
    .map(({ id, name }) => ({ id, name }));
}

/** So long a PIN that was typed on a tablet counts there. */
const TICKET_MS = 30 * 60_000;

interface Ticket {
  deviceId: string;
  personId: string;
  until: number;
}

/**
 * On a tablet: whoever typed their PIN gets a ticket, sealed, for this tablet and half an hour. Touches that carry it are
 * theirs; a browser may keep it with touches that wait, which it must not with a PIN.
 */
export async function ticketFor(
  context: Context,
  { db }: Pick<Doorstep, "db">,
  typed: { personId: string; pin: string },
): Promise<Outcome<{ ticket: string; name: string }>> {
  const { door, hall, actor, clock } = context;
  if (door.kind !== "device") return failed("forbidden", "Only a paired tablet asks for a PIN.");
  const key = `pin ${typed.personId}`;
  const wait = await secondsToSlow(db, key, door.deviceId);
  if (wait !== null) return failed("invalid", waitWords(wait));
  const person = await personOf(hall, typed.personId);
  if (!person?.pinHash) return notFound("person with a PIN under that name");
  if (!(await isPassphrase(typed.pin, person.pinHash))) {
    await noteWrong(db, key, door.deviceId);
    await noteAccount(context, "pin-failed", `${person.name} on ${actor.name}`);
    return failed("invalid", "That is not the PIN.", [{ path: "pin", message: "PIN: not the one of this person." }]);
  }
  await forgetWrong(db, key, door.deviceId);
  const ticket: Ticket = {
    deviceId: door.deviceId,
    personId: person.id,
    until: clock.now().getTime() + TICKET_MS,
  };
  return { ok: true, ticket: sealed(JSON.stringify(ticket)), name: person.name };
}

/**
 * The context of whoever a ticket names: what they may is then what counts, and their name is what is kept.
 *
 * @returns null when the ticket is not of this tablet, has run out, or the person was removed or changed their PIN away
 */
export async function withTicket(context: Context, text: string): Promise<Context | null> {
  const { door, hall, actor, clock } = context;
  const open = unsealed(text);
  if (open === null || door.kind !== "device") return null;
  const { deviceId, personId, until } = JSON.parse(open) as Ticket;
  if (deviceId !== door.deviceId || until < clock.now().getTime()) return null;
  const person = await personOf(hall, personId);
  if (!person?.pinHash) return null;
  return { ...context, actor: { ...actor, personId: person.id, name: person.name, role: person.role } };
}

async function personOf(hall: Context["hall"], id: string) {
  if (!/^[0-9a-f-]{36}$/.test(id)) return null;
  return hall.first(people, { where: and(eq(people.id, id), isNull(people.removedAt)) });
}
