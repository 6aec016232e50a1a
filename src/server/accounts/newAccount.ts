import "server-only";
import { eq, or, sql } from "drizzle-orm";
import type { Problem } from "@/core/problem";
import { accounts } from "@/data/schema";
import { MAX_PASSPHRASE, passphraseHash, passphraseProblems } from "./passphrase";
import type { Database } from "@/server/access";

/** What somebody types who makes an account. */
export interface NewAccount {
  signInName: string;
  email: string;
  passphrase: string;
}

const EMAIL = /^[^\s@]+@[^\s@]+\.[^\s@]{2,}$/;

/** What is wrong with it, every problem. */
export function accountProblems({ signInName, email, passphrase }: NewAccount, known: readonly string[]): Problem[] {
  const name = signInName.trim();
  const isName = /^[\p{L}\p{N}][\p{L}\p{N} ._'’-]{1,39}$/u.test(name);
  return [
    ...(isName
      ? []
      : [
          {
            path: "signInName",
            message: "Name to sign in with: 2 to 40 letters or digits, like Ines or ines.low; no @.",
          },
        ]),
    ...(email.trim() === "" || (EMAIL.test(email.trim()) && email.length <= 200)
      ? []
      : [{ path: "email", message: "E-mail: like ines@example.org, or leave it blank." }]),
    ...passphraseProblems(passphrase.slice(0, MAX_PASSPHRASE + 1), [name, email, ...known]),
  ];
}

/**
 * Makes an account in a transaction.
 *
 * @returns its id, or the problem where name or address is another's
 */
export async function insertAccount(
  tx: Pick<Database, "insert" | "select">,
  at: Date,
  { signInName, email, passphrase }: NewAccount,
): Promise<{ id: string } | { problems: Problem[] }> {
  const [name, mail] = [signInName.trim(), email.trim() === "" ? null : email.trim().toLowerCase()];
  const taken = await tx
    .select({ name: accounts.signInName, email: accounts.email })
    .from(accounts)
    .where(
      or(
        eq(sql`lower(${accounts.signInName})`, name.toLowerCase()),
        mail === null ? undefined : eq(sql`lower(${accounts.email})`, mail),
      ),
    );
  const problems = [
    ...(taken.some((one) => one.name.toLowerCase() === name.toLowerCase())
      ? [{ path: "signInName", message: `Name to sign in with: “${name}” is taken. Add a letter or your surname.` }]
      : []),
    ...(mail !== null && taken.some((one) => one.email?.toLowerCase() === mail)
      ? [{ path: "email", message: "E-mail: it has an account already. Sign in, then open the invitation again." }]
      : []),
  ];
  if (problems.length > 0) return { problems };
  const [row] = await tx
    .insert(accounts)
    .values({
      signInName: name,
      email: mail,
      passphraseHash: await passphraseHash(passphrase),
      passphraseAt: at,
      createdAt: at,
    })
    .returning({ id: accounts.id });
  return { id: row!.id };
}
