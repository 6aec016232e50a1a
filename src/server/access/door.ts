import "server-only";
import type { TokenScope } from "@/data/schema";

/** By which door somebody came in. */
export type Door =
  /** A person at a browser. Only the demonstration's have no account. */
  | { kind: "session"; sessionId: string; accountId: string | null; confirmedAt: Date | null }
  /** A paired tablet. */
  | { kind: "device"; deviceId: string }
  /** A program with a token of a person's. */
  | { kind: "token"; tokenId: string; scopes: readonly TokenScope[] }
  /** The program itself, or a secret address. */
  | { kind: "program" };

/** So long a passphrase that was typed counts for what matters. */
export const CONFIRMED_MS = 10 * 60_000;

/**
 * Whether what matters may be done without typing the passphrase once more. A program has no passphrase, its token says
 * what it may; the demonstration's people have none.
 */
export function isConfirmed({ door, clock }: { door: Door; clock: { now(): Date } }): boolean {
  if (door.kind === "device") return false;
  if (door.kind !== "session" || door.accountId === null) return true;
  return door.confirmedAt !== null && clock.now().getTime() - door.confirmedAt.getTime() < CONFIRMED_MS;
}
