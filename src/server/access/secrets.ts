import "server-only";
import { createCipheriv, createDecipheriv, createHash, createHmac, hkdfSync, randomBytes } from "node:crypto";
import { environment } from "@/data/environment";

/* What opens a door is long and random, is told once, and only its hash is kept: who reads the database cannot come in. */

/** 256 bits as text for an address or a cookie. */
export const newToken = (): string => randomBytes(32).toString("base64url");

/** What is kept of a token. */
export const hashOf = (token: string): string => createHash("sha256").update(token).digest("hex");

/** A key of the program's secret for one use. */
function keyFor(use: string): Buffer {
  return Buffer.from(hkdfSync("sha256", environment().sessionSecret, "", `garrison ${use}`, 32));
}

/** What is kept of a short code: found by nobody who has the database and not the program's secret. */
export const hmacOf = (use: string, code: string): string =>
  createHmac("sha256", keyFor(use)).update(code).digest("hex");

/** Seals a text with the program's secret (AES-256-GCM). */
export function sealed(text: string): string {
  const iv = randomBytes(12);
  const cipher = createCipheriv("aes-256-gcm", keyFor("seal"), iv);
  const body = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
  return [iv, cipher.getAuthTag(), body].map((part) => part.toString("base64url")).join(".");
}

/** What was sealed; null where it was sealed with another secret or was altered. */
export function unsealed(text: string): string | null {
  const [iv, tag, body] = text.split(".").map((part) => Buffer.from(part, "base64url"));
  if (!iv || !tag || !body) return null;
  try {
    const decipher = createDecipheriv("aes-256-gcm", keyFor("seal"), iv);
    decipher.setAuthTag(tag);
    return Buffer.concat([decipher.update(body), decipher.final()]).toString("utf8");
  } catch {
    return null;
  }
}
