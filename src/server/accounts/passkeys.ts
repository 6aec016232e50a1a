import "server-only";
import {
  type AuthenticationResponseJSON,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from "@simplewebauthn/server";
import { and, asc, eq } from "drizzle-orm";
import { accounts, passkeys } from "@/data/schema";
import { type Context, type Doorstep, isConfirmed, sealed, unsealed } from "@/server/access";
import { type Outcome, failed, notFound } from "@/server/kit";
import { noteAccount } from "./accountLog";
import { CONFIRM_FIRST } from "./people";
import { enterAs, personsOf } from "./signIn";

/* Passkeys (WebAuthn Level 3). A challenge is sealed, goes to the browser and comes back with the answer: it counts for
 * five minutes and for its own use, and no copy of the program has to remember it. */

const CHALLENGE_MS = 5 * 60_000;
type Use = "register" | "sign-in";

const sealChallenge = ({ now }: Pick<Doorstep, "now">, use: Use, challenge: string): string =>
  sealed(JSON.stringify({ use, challenge, until: now().getTime() + CHALLENGE_MS }));

function challengeOf({ now }: Pick<Doorstep, "now">, use: Use, text: string): string | null {
  const open = unsealed(text);
  if (open === null) return null;
  const kept = JSON.parse(open) as { use: Use; challenge: string; until: number };
  return kept.use === use && kept.until > now().getTime() ? kept.challenge : null;
}

/** The site that keys belong to: passkeys work under https, and on the machine itself by the name localhost. */
export function passkeySite(origin: string): { id: string; origin: string } | null {
  const url = URL.canParse(origin) ? new URL(origin) : null;
  if (!url) return null;
  const isSafe = url.protocol === "https:" || url.hostname === "localhost";
  // A key belongs to a name, not to a number.
  return isSafe && /[a-z]/i.test(url.hostname) && !url.hostname.startsWith("[")
    ? { id: url.hostname, origin: url.origin }
    : null;
}

/** What the browser is asked to make a key with. */
export async function passkeyToAdd(context: Context, step: Doorstep) {
  const { door, actor } = context;
  const site = passkeySite(step.origin);
  if (door.kind !== "session" || door.accountId === null || !site)
    return failed("forbidden", "Passkeys need an account, and https or the address http://localhost.");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  const known = await step.db.select().from(passkeys).where(eq(passkeys.accountId, door.accountId));
  const options = await generateRegistrationOptions({
    rpName: "Garrison",
    rpID: site.id,
    userName: actor.name,
    userID: new Uint8Array(Buffer.from(door.accountId)),
    attestationType: "none",
    excludeCredentials: known.map(({ credentialId }) => ({ id: credentialId })),
    authenticatorSelection: { residentKey: "required", userVerification: "required" },
  });
  return { ok: true as const, options, challenge: sealChallenge(step, "register", options.challenge) };
}

/** Keeps a key that the browser made. */
export async function addPasskey(
  context: Context,
  step: Doorstep,
  asked: { response: RegistrationResponseJSON; challenge: string; name: string },
): Promise<Outcome<object>> {
  const { door } = context;
  const site = passkeySite(step.origin);
  const expectedChallenge = challengeOf(step, "register", asked.challenge);
  if (door.kind !== "session" || door.accountId === null || !site)
    return failed("forbidden", "You have no account here.");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  if (!expectedChallenge) return failed("invalid", "That took too long. Try again.");
  const verified = await verifyRegistrationResponse({
    response: asked.response,
    expectedChallenge,
    expectedOrigin: site.origin,
    expectedRPID: site.id,
    requireUserVerification: true,
  }).catch(() => null);
  if (!verified?.verified) return failed("invalid", "The passkey was not accepted. Try again.");
  const { credential } = verified.registrationInfo;
  await step.db
    .insert(passkeys)
    .values({
      accountId: door.accountId,
      credentialId: credential.id,
      publicKey: Buffer.from(credential.publicKey).toString("base64url"),
      counter: credential.counter,
      transports: credential.transports ?? null,
      name: asked.name.trim().slice(0, 60) || "Passkey",
      createdAt: step.now(),
    })
    .onConflictDoNothing();
  await noteAccount(context, "passkey-added", asked.name.trim().slice(0, 60));
  return { ok: true };
}

export interface OwnPasskey {
  id: string;
  name: string;
  createdAt: Date;
  usedAt: Date | null;
}

/** Keys of whoever asks. */
export async function ownPasskeys({ door }: Context, { db }: Doorstep): Promise<OwnPasskey[]> {
  if (door.kind !== "session" || door.accountId === null) return [];
  const rows = await db
    .select()
    .from(passkeys)
    .where(eq(passkeys.accountId, door.accountId))
    .orderBy(asc(passkeys.createdAt));
  return rows.map(({ id, name, createdAt, usedAt }) => ({ id, name, createdAt, usedAt }));
}

/** Takes a key of one's own away. */
export async function removePasskey(context: Context, { db }: Doorstep, id: string): Promise<Outcome<object>> {
  const { door } = context;
  if (door.kind !== "session" || door.accountId === null || !/^[0-9a-f-]{36}$/.test(id))
    return notFound("such passkey");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  const gone = await db
    .delete(passkeys)
    .where(and(eq(passkeys.id, id), eq(passkeys.accountId, door.accountId)))
    .returning({ name: passkeys.name });
  if (gone.length === 0) return notFound("such passkey");
  await noteAccount(context, "passkey-removed", gone[0]!.name);
  return { ok: true };
}

/** What the browser is asked to sign in with: whichever key it has for this site. */
export async function passkeyToSignIn(step: Doorstep) {
  const site = passkeySite(step.origin);
  if (!site) return failed("forbidden", "Passkeys need https, or the address http://localhost.");
  const options = await generateAuthenticationOptions({ rpID: site.id, userVerification: "required" });
  return { ok: true as const, options, challenge: sealChallenge(step, "sign-in", options.challenge) };
}

const UNKNOWN_KEY = "This passkey is not known here.";

/** Signs somebody in by a key; it is two steps in one: the device, and the finger or number that opens it. */
export async function signInWithPasskey(
  step: Doorstep,
  asked: { response: AuthenticationResponseJSON; challenge: string },
): Promise<Outcome<object>> {
  const { db, now } = step;
  const site = passkeySite(step.origin);
  const expectedChallenge = challengeOf(step, "sign-in", asked.challenge);
  if (!site || !expectedChallenge) return failed("invalid", "That took too long. Try again.");
  const [key] = await db
    .select({ key: passkeys, accountId: accounts.id })
    .from(passkeys)
    .innerJoin(accounts, eq(accounts.id, passkeys.accountId))
    .where(eq(passkeys.credentialId, String(asked.response.id)))
    .limit(1);
  if (!key) return failed("invalid", UNKNOWN_KEY);
  const verified = await verifyAuthenticationResponse({
    response: asked.response,
    expectedChallenge,
    expectedOrigin: site.origin,
    expectedRPID: site.id,
    requireUserVerification: true,
    credential: {
      id: key.key.credentialId,
      publicKey: new Uint8Array(Buffer.from(key.key.publicKey, "base64url")),
      counter: key.key.counter,
    },
  }).catch(() => null);
  if (!verified?.verified) return failed("invalid", UNKNOWN_KEY);
  const persons = await personsOf(step, key.accountId);
  if (persons.length === 0) return failed("forbidden", "You are no longer a member of a gym here. Ask its owner.");
  await db
    .update(passkeys)
    .set({ counter: verified.authenticationInfo.newCounter, usedAt: now() })
    .where(eq(passkeys.id, key.key.id));
  await enterAs(step, key.accountId, persons);
  return { ok: true };
}
