import "server-only";
import { and, asc, eq, inArray, isNotNull, isNull } from "drizzle-orm";
import { DEVICE_ROLES, people } from "@/data/schema";
import { type Context, type Doorstep, isConfirmed } from "@/server/access";
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

/**
 * On a tablet: what follows is done by a person, whose PIN was typed. What they may is then what counts, and their name
 * is what is kept.
 */
export async function asPerson(
  context: Context,
  { db }: Pick<Doorstep, "db">,
  typed: { personId: string; pin: string },
): Promise<Outcome<{ context: Context }>> {
  const { door, hall, actor } = context;
  if (door.kind !== "device") return { ok: true, context };
  const key = `pin ${typed.personId}`;
  const wait = await secondsToSlow(db, key, door.deviceId);
  if (wait !== null) return failed("invalid", waitWords(wait));
  const [person] = /^[0-9a-f-]{36}$/.test(typed.personId)
    ? await hall.rows(people, { where: and(inArray(people.id, [typed.personId]), isNull(people.removedAt)) })
    : [];
  if (!person?.pinHash) return notFound("person with a PIN under that name");
  if (!(await isPassphrase(typed.pin, person.pinHash))) {
    await noteWrong(db, key, door.deviceId);
    await noteAccount(context, "pin-failed", `${person.name} on ${actor.name}`);
    return failed("invalid", "That is not the PIN.", [{ path: "pin", message: "PIN: not the one of this person." }]);
  }
  await forgetWrong(db, key, door.deviceId);
  return {
    ok: true,
    context: { ...context, actor: { ...actor, personId: person.id, name: person.name, role: person.role } },
  };
}
