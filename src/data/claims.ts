import { createHash, randomBytes } from "node:crypto";
import { count, eq, isNotNull, isNull } from "drizzle-orm";
import type { Database } from "./client";
import { claims, halls, people } from "./schema";

/** Who can come in so far: people with an account, and whether the database holds a demonstration. */
export async function doorsOf(db: Pick<Database, "select">): Promise<{ accounts: number; isDemo: boolean }> {
  const [[signed], demos] = [
    await db.select({ n: count() }).from(people).where(isNotNull(people.accountId)),
    await db.select({ id: halls.id }).from(halls).where(eq(halls.isDemo, true)).limit(1),
  ];
  return { accounts: signed?.n ?? 0, isDemo: demos.length > 0 };
}

/** A new one-time token by which somebody becomes the owner; null once somebody is, or in a demonstration. */
export async function newClaim(db: Database, now: Date): Promise<string | null> {
  const { accounts, isDemo } = await doorsOf(db);
  if (accounts > 0 || isDemo) return null;
  const token = randomBytes(32).toString("base64url");
  await db.transaction(async (tx) => {
    await tx.update(claims).set({ usedAt: now }).where(isNull(claims.usedAt));
    await tx.insert(claims).values({ tokenSha256: createHash("sha256").update(token).digest("hex"), createdAt: now });
  });
  return token;
}
