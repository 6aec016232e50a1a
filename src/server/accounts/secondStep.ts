import "server-only";
import { and, eq, isNull, lt, or, sql } from "drizzle-orm";
import { randomBytes } from "node:crypto";
import { Secret, TOTP } from "otpauth";
import { accounts } from "@/data/schema";
import { type Context, type Doorstep, hashOf, isConfirmed, sealed, unsealed } from "@/server/access";
import { type Outcome, failed } from "@/server/kit";
import { noteAccount } from "./accountLog";

/* A second step by an authenticator app: RFC 6238, six digits, 30 s, SHA-1 as every app does it. */

const PERIOD = 30;
/** One step to either side: telephones' clocks are a little off. */
const WINDOW = 1;
const SPARE_CODES = 8;

const totpOf = (secret: Secret, label: string) =>
  new TOTP({ issuer: "Garrison", label, algorithm: "SHA1", digits: 6, period: PERIOD, secret });

/** Whether a code opens the second step. One that did never does again, also when two come at once. */
export async function isSecondStep(
  { db, now }: Pick<Doorstep, "db" | "now">,
  account: Pick<typeof accounts.$inferSelect, "id" | "signInName" | "totpSealed" | "spareCodes">,
  typed: string,
): Promise<boolean> {
  const code = typed.replace(/[\s-]/g, "").toLowerCase();
  if (/^\d{6}$/.test(code)) {
    const secret = account.totpSealed ? unsealed(account.totpSealed) : null;
    if (secret === null) return false;
    const timestamp = now().getTime();
    const delta = totpOf(Secret.fromBase32(secret), account.signInName).validate({
      token: code,
      timestamp,
      window: WINDOW,
    });
    if (delta === null) return false;
    const at = Math.floor(timestamp / 1000 / PERIOD) + delta;
    const used = await db
      .update(accounts)
      .set({ totpStep: at })
      .where(and(eq(accounts.id, account.id), or(isNull(accounts.totpStep), lt(accounts.totpStep, at))))
      .returning({ id: accounts.id });
    return used.length > 0;
  }
  const hash = hashOf(code);
  if (!account.spareCodes?.includes(hash)) return false;
  const used = await db
    .update(accounts)
    .set({ spareCodes: sql`array_remove(${accounts.spareCodes}, ${hash})` })
    .where(and(eq(accounts.id, account.id), sql`${hash} = any(${accounts.spareCodes})`))
    .returning({ id: accounts.id });
  return used.length > 0;
}

/** A new secret to show as a code for the app; nothing is kept until a first code proves that the app has it. */
export function newSecondStep({ actor }: Context): { secret: string; address: string } {
  const secret = new Secret({ size: 20 });
  return { secret: secret.base32, address: totpOf(secret, actor.name).toString() };
}

/** Turns the second step on, once the app shows a right code. Spare codes are told once. */
export async function turnOnSecondStep(
  context: Context,
  { db, now }: Doorstep,
  { secret, code }: { secret: string; code: string },
): Promise<Outcome<{ spareCodes: string[] }>> {
  const { door } = context;
  if (door.kind !== "session" || door.accountId === null)
    return failed("forbidden", "Only an account of your own can have a second step.");
  if (!isConfirmed(context)) return failed("forbidden", "Type your passphrase again first.");
  const isSecret = /^[A-Z2-7]{32}$/.test(secret);
  const delta = isSecret
    ? totpOf(Secret.fromBase32(secret), "x").validate({
        token: code.replace(/\s/g, ""),
        timestamp: now().getTime(),
        window: WINDOW,
      })
    : null;
  if (delta === null)
    return failed("invalid", "Code: not the one that the app shows now. Look again; it changes every 30 s.", [
      { path: "code", message: "Code: six digits from the app." },
    ]);
  const spareCodes = Array.from({ length: SPARE_CODES }, () => randomBytes(5).toString("hex"));
  await db
    .update(accounts)
    .set({
      totpSealed: sealed(secret),
      totpStep: Math.floor(now().getTime() / 1000 / PERIOD) + delta,
      spareCodes: spareCodes.map(hashOf),
    })
    .where(eq(accounts.id, door.accountId));
  await noteAccount(context, "second-step-on");
  return { ok: true, spareCodes: spareCodes.map((one) => `${one.slice(0, 5)}-${one.slice(5)}`) };
}

/** Turns it off again. */
export async function turnOffSecondStep(context: Context, { db }: Doorstep): Promise<Outcome<object>> {
  const { door } = context;
  if (door.kind !== "session" || door.accountId === null) return failed("forbidden", "You have no account here.");
  if (!isConfirmed(context)) return failed("forbidden", "Type your passphrase again first.");
  await db
    .update(accounts)
    .set({ totpSealed: null, totpStep: null, spareCodes: null })
    .where(eq(accounts.id, door.accountId));
  await noteAccount(context, "second-step-off");
  return { ok: true };
}
