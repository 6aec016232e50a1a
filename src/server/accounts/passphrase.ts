import "server-only";
import { hash, verify } from "@node-rs/argon2";
import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { adjacencyGraphs, dictionary } from "@zxcvbn-ts/language-common";
import type { Problem } from "@/core/problem";
import { ARGON2_COST } from "@/data/argon2Cost";

export const MIN_PASSPHRASE = 12;
export const MAX_PASSPHRASE = 200;
/** Of zxcvbn's 0 to 4: beyond some hundred million guesses. */
const MIN_SCORE = 3;
/** So much of it must be no name of theirs or their gym's. */
const MIN_REST = 8;

let guesser: ZxcvbnFactory | undefined;

/** What is kept of a passphrase or a PIN. */
export const passphraseHash = (passphrase: string): Promise<string> => hash(passphrase.normalize("NFKC"), ARGON2_COST);

/** A hash that nothing fits: it takes as long to try as a real one, so that a wrong name looks like a wrong passphrase. */
const NOTHING_FITS = passphraseHash("\u0000 nobody's passphrase");
NOTHING_FITS.catch(() => undefined);

/** Whether a passphrase is the one; with no hash it takes as long and is not. */
export async function isPassphrase(passphrase: string, kept: string | null): Promise<boolean> {
  if (passphrase.length > MAX_PASSPHRASE) return false;
  const fits = await verify(kept ?? (await NOTHING_FITS), passphrase.normalize("NFKC"));
  return kept !== null && fits;
}

/**
 * What is wrong with a passphrase that somebody chooses. No rule about kinds of characters (NIST SP 800-63B, OWASP ASVS
 * 5 V6.2): length, and that it is not among what is tried first.
 *
 * @param known the person's name, the gym's: what others would try.
 */
export function passphraseProblems(passphrase: string, known: readonly string[]): Problem[] {
  const problem = (message: string) => [{ path: "passphrase", message }];
  if (passphrase.length < MIN_PASSPHRASE)
    return problem(`Passphrase: at least ${MIN_PASSPHRASE} characters. Four or five words that only you put together.`);
  if (passphrase.length > MAX_PASSPHRASE) return problem(`Passphrase: at most ${MAX_PASSPHRASE} characters.`);
  guesser ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const words = [...known, "garrison"]
    .flatMap((one) => one.toLowerCase().split(/[\s@.]+/))
    .filter((one) => one.length > 2);
  const { score } = guesser.check(passphrase.toLowerCase(), words);
  // What is left of it without what everybody knows of them.
  const rest = words.reduce((text, word) => text.replaceAll(word, ""), passphrase.toLowerCase()).replace(/\s/g, "");
  return score < MIN_SCORE || rest.length < MIN_REST
    ? problem("Passphrase: too easy to guess. Four or five words that only you put together.")
    : [];
}
