import "server-only";
import { randomInt } from "node:crypto";
import { and, asc, eq, gt, isNull } from "drizzle-orm";
import { HallDb } from "@/data/hallDb";
import { DEVICE_ROLES, devices, type DeviceRole, pairingCodes, people } from "@/data/schema";
import {
  type Context,
  DEVICE_HOME,
  DEVICE_MARK,
  type Doorstep,
  hashOf,
  hmacOf,
  inTransaction,
  may,
  newToken,
  setCookie,
} from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { noteAccount, noteAtDoor } from "./accountLog";
import { secondsUntilAllowed, waitWords } from "./limits";
import { leaveOldSession } from "./sessions";

const CODE_MS = 10 * 60_000;

export interface PairedDevice {
  id: string;
  name: string;
  purpose: DeviceRole;
  pairedAt: Date;
  pairedBy: string;
  seenAt: Date;
}

/** Tablets that are paired, by name. */
export async function listDevices(context: Context): Promise<PairedDevice[]> {
  if (!may(context, "device.manage")) return [];
  const { hall } = context;
  const rows = await hall.rowsWith(
    devices,
    { person: { table: people, on: eq(people.id, devices.personId), columns: { role: people.role } } },
    { where: isNull(devices.revokedAt), orderBy: [asc(devices.name)] },
  );
  const names = new Map((await hall.rows(people)).map(({ id, name }) => [id, name]));
  return rows.map(({ row, person }) => ({
    id: row.id,
    name: row.name,
    purpose: person!.role as DeviceRole,
    pairedAt: row.pairedAt,
    pairedBy: names.get(row.pairedBy) ?? "",
    seenAt: row.seenAt,
  }));
}

/** Six digits for one tablet and one purpose, good for ten minutes; told once. */
export async function makePairingCode(
  context: Context,
  asked: { name: string; purpose: string },
): Promise<Outcome<{ code: string; endsAt: Date }>> {
  if (!may(context, "device.manage")) return forbidden("pair tablets");
  const name = asked.name.trim();
  const purpose = (DEVICE_ROLES as readonly string[]).includes(asked.purpose) ? (asked.purpose as DeviceRole) : null;
  const problems = [
    ...(name === "" || name.length > 60
      ? [{ path: "name", message: "Name: like Tablet at rack 1; 1 to 60 characters." }]
      : []),
    ...(purpose ? [] : [{ path: "purpose", message: "For: choose what the tablet shows." }]),
  ];
  if (problems.length > 0) return failed("invalid", "No code was made.", problems);
  const { hall, clock, actor } = context;
  const code = String(randomInt(0, 1_000_000)).padStart(6, "0");
  const endsAt = new Date(clock.now().getTime() + CODE_MS);
  await hall.insert(pairingCodes, {
    codeHmac: hmacOf("pairing", code),
    purpose: purpose!,
    name,
    madeBy: actor.personId,
    endsAt,
  });
  return { ok: true, code, endsAt };
}

/**
 * Pairs the tablet that typed a code.
 *
 * @returns where it begins
 */
export async function pairDevice(step: Doorstep, typed: string): Promise<Outcome<{ home: string }>> {
  const { db, address, now } = step;
  const waits = [
    await secondsUntilAllowed(db, "pairing-from", address),
    await secondsUntilAllowed(db, "pairing", "all"),
  ].filter((wait) => wait !== null);
  if (waits.length > 0) return failed("invalid", waitWords(Math.max(...waits)));
  const code = typed.replace(/\s/g, "");
  const wrong = () =>
    failed("invalid", "That code is not open.", [
      {
        path: "code",
        message: "Code: six digits that were shown less than ten minutes ago. Make a new one if it ran out.",
      },
    ]);
  if (!/^\d{6}$/.test(code)) return wrong();
  const at = now();
  const done = await db.transaction(async (tx) => {
    const open = await tx
      .update(pairingCodes)
      .set({ usedAt: at })
      .where(
        and(
          eq(pairingCodes.codeHmac, hmacOf("pairing", code)),
          isNull(pairingCodes.usedAt),
          gt(pairingCodes.endsAt, at),
        ),
      )
      .returning();
    const [pairing] = open;
    // Two halls that were told the same digits at once: neither tablet is let in, both codes are used up.
    if (!pairing || open.length > 1) return null;
    const hall = new HallDb(tx, pairing.hallId, { isNew: true });
    const [person] = await hall.insert(people, { name: pairing.name, role: pairing.purpose as DeviceRole });
    const token = `${DEVICE_MARK}${newToken()}`;
    await hall.insert(devices, {
      personId: person!.id,
      name: pairing.name,
      tokenSha256: hashOf(token),
      pairedBy: pairing.madeBy,
      pairedAt: at,
      seenAt: at,
    });
    await noteAtDoor(tx, step, {
      hallId: pairing.hallId,
      personId: pairing.madeBy,
      kind: "device-paired",
      subject: pairing.name,
    });
    return { token, home: DEVICE_HOME[pairing.purpose as DeviceRole] };
  });
  if (!done) return wrong();
  await leaveOldSession(step);
  await setCookie(done.token);
  return { ok: true, home: done.home };
}

/** A tablet is nobody from its next touch on. */
export async function revokeDevice(context: Context, id: string): Promise<Outcome<object>> {
  if (!may(context, "device.manage")) return forbidden("revoke tablets");
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such tablet");
  return inTransaction(context, async (context) => {
    const { hall, clock } = context;
    const [device] = await hall.update(devices, and(eq(devices.id, id), isNull(devices.revokedAt)), {
      revokedAt: clock.now(),
    });
    if (!device) return notFound("such tablet");
    await hall.update(people, eq(people.id, device.personId), { removedAt: clock.now() });
    await recordChange(context, { entity: "device", entityId: id, action: "revoked", before: { name: device.name } });
    await noteAccount(context, "device-revoked", device.name);
    return { ok: true as const };
  });
}
