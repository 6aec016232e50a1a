import "server-only";
import { headers } from "next/headers";
import { carriedRequest } from "@/data/carriedRequest";
import { database, type Database } from "@/data/client";
import { environment, now } from "@/data/environment";
import { type Log, log } from "@/data/log";

/**
 * What is known of a request before anybody is let in: for signing in, claiming, accepting an invitation and pairing.
 * Only the room that opens doors works with it.
 */
export interface Doorstep {
  db: Database;
  now: () => Date;
  /** Where the request came from. */
  address: string;
  /** What the browser calls itself, shortened. */
  agent: string;
  publicUrl: string;
  /** What the browser sees as this site, like http://localhost:3210. */
  origin: string;
  /** Where letters go out; null where they are copied by hand. */
  mail: { url: string; from: string } | null;
  /** Asked of whoever picks a person of a demonstration that the network reaches; null where nobody is asked. */
  demoCode: string | null;
  log: Log;
}

/** The doorstep of the request that is being answered. */
export async function doorstep(): Promise<Doorstep> {
  const given = await headers();
  const { publicUrl } = environment();
  return {
    ...doorstepOfProgram(),
    address: carriedRequest()?.address ?? "",
    agent: (given.get("user-agent") ?? "").slice(0, 300),
    // As it is published, where a browser may make passkeys for that; else as it was asked. Whoever carries the requests
    // lets in none whose Host is not ours.
    origin: /^https:|^http:\/\/localhost(:|\/|$)/.test(publicUrl)
      ? new URL(publicUrl).origin
      : `http://${given.get("host") ?? ""}`,
  };
}

/** The same for what the program does by itself. */
export function doorstepOfProgram(): Doorstep {
  const { publicUrl, demoCode, smtpUrl, mailFrom } = environment();
  return {
    db: database(),
    now,
    address: "",
    agent: "",
    publicUrl,
    origin: "",
    mail: smtpUrl ? { url: smtpUrl, from: mailFrom } : null,
    demoCode,
    log: log(),
  };
}
