import "server-only";
import { MONEY_FIELDS } from "@/core/bars/barFields";
import { type Context, may } from "@/server/access";

/** What is kept of a bar by field, without what it cost and who sold it for whoever may not know. */
export function withoutMoney<T>(context: Context, texts: T): T {
  if (may(context, "price.read") || typeof texts !== "object" || texts === null) return texts;
  const kept = { ...texts } as Record<string, unknown>;
  for (const key of MONEY_FIELDS) delete kept[key];
  return kept as T;
}
