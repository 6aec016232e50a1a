import "server-only";
import { eq } from "drizzle-orm";
import { cache } from "react";
import { type MatchingRules, rulesFrom } from "@/core/matching/houseRules";
import type { HallDb } from "@/data/hallDb";
import { houseRules } from "@/data/schema";
import type { Context } from "@/server/access";

/** Under this the house's rules for matching, loading and care are stored. */
export const MATCHING_KEY = "matching";

/** The house's rules as they stand; inside a transaction it sees what the transaction wrote. */
export async function storedRules(hall: HallDb): Promise<MatchingRules & { version: number }> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, MATCHING_KEY) });
  return { ...rulesFrom(row?.value), version: row?.version ?? 0 };
}

/** The house's rules for matching, loading and care, read once a request; starting values where it decided nothing. */
export const matchingRules = cache((context: Context) => storedRules(context.hall));
