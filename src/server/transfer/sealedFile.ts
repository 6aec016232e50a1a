import "server-only";
import { createCipheriv, createDecipheriv, randomBytes, scrypt } from "node:crypto";
import { promisify } from "node:util";
import { gunzip, gzip } from "node:zlib";

/*
 * A file that only a passphrase opens: a first line that says what it is, a line of JSON about it, then the content packed
 * and sealed with AES-256-GCM under a key that scrypt makes of the passphrase. Both lines are sealed with it: changed,
 * nothing opens.
 */

const MAGIC = "garrison-archive 1";
/** scrypt at OWASP's cost (Password Storage Cheat Sheet): 128 MiB, 8, 1. */
const COST = { N: 2 ** 17, r: 8, p: 1, maxmem: 160 * 1024 * 1024 } as const;
const TAG_BYTES = 16;
/** Longer headers are none of ours. */
const MAX_HEADER = 2_000;

export interface ArchiveHeader {
  /** Of the program that made it. */
  version: string;
  hall: string;
  madeAt: string;
}

const keyOf = (passphrase: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(passphrase.normalize("NFKC"), salt, 32, COST, (error, key) => (error ? reject(error) : resolve(key))),
  );

/** Seals a text under a passphrase. */
export async function sealFile(passphrase: string, header: ArchiveHeader, text: string): Promise<Buffer> {
  const [salt, iv] = [randomBytes(16), randomBytes(12)];
  const head = Buffer.from(
    `${MAGIC}\n${JSON.stringify({ ...header, salt: salt.toString("base64"), iv: iv.toString("base64") })}\n`,
  );
  const cipher = createCipheriv("aes-256-gcm", await keyOf(passphrase, salt), iv).setAAD(head);
  const packed = await promisify(gzip)(text);
  return Buffer.concat([head, cipher.update(packed), cipher.final(), cipher.getAuthTag()]);
}

export type Opened =
  | { ok: true; header: ArchiveHeader; text: string }
  /** No archive at all; one of a later kind; or the passphrase is not the one, or a byte of it changed. */
  | { ok: false; why: "no-archive" | "newer" | "passphrase" };

/**
 * Opens what was sealed.
 *
 * @param mostBytes content that unfolds to more is refused as none.
 */
export async function openFile(passphrase: string, bytes: Buffer, mostBytes: number): Promise<Opened> {
  const first = bytes.indexOf(10);
  const second = bytes.indexOf(10, first + 1);
  const magic = bytes.subarray(0, Math.max(0, first)).toString("latin1");
  if (!magic.startsWith("garrison-archive ") || second < 0 || second > MAX_HEADER)
    return { ok: false, why: "no-archive" };
  if (magic !== MAGIC) return { ok: false, why: "newer" };
  let header: ArchiveHeader & { salt: string; iv: string };
  try {
    header = JSON.parse(bytes.subarray(first + 1, second).toString("utf8")) as typeof header;
    if (![header.version, header.hall, header.madeAt, header.salt, header.iv].every((one) => typeof one === "string"))
      return { ok: false, why: "no-archive" };
  } catch {
    return { ok: false, why: "no-archive" };
  }
  const body = bytes.subarray(second + 1);
  const [salt, iv] = [header.salt, header.iv].map((part) => Buffer.from(part, "base64"));
  if (body.length < TAG_BYTES || salt!.length !== 16 || iv!.length !== 12) return { ok: false, why: "no-archive" };
  try {
    const decipher = createDecipheriv("aes-256-gcm", await keyOf(passphrase, salt!), iv!)
      .setAAD(bytes.subarray(0, second + 1))
      .setAuthTag(body.subarray(-TAG_BYTES));
    const packed = Buffer.concat([decipher.update(body.subarray(0, -TAG_BYTES)), decipher.final()]);
    const text = await promisify(gunzip)(packed, { maxOutputLength: mostBytes });
    const { version, hall, madeAt } = header;
    return { ok: true, header: { version, hall, madeAt }, text: text.toString("utf8") };
  } catch {
    return { ok: false, why: "passphrase" };
  }
}
