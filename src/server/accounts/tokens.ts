import "server-only";
import { and, asc, eq, isNull } from "drizzle-orm";
import { readTokenTexts } from "@/core/house/doorTexts";
import { apiTokens, people, TOKEN_SCOPES, type TokenScope } from "@/data/schema";
import { type Context, hashOf, inTransaction, isConfirmed, may, newToken } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { noteAccount } from "./accountLog";
import { CONFIRM_FIRST } from "./people";

const DAY_MS = 86_400_000;

export interface ProgramToken {
  id: string;
  label: string;
  person: string;
  scopes: TokenScope[];
  createdAt: Date;
  endsAt: Date | null;
  usedAt: Date | null;
}

/** Tokens that work, by label. */
export async function listTokens(context: Context): Promise<ProgramToken[]> {
  if (!may(context, "token.manage")) return [];
  const rows = await context.hall.rowsWith(
    apiTokens,
    { person: { table: people, on: eq(people.id, apiTokens.personId), columns: { name: people.name } } },
    { where: isNull(apiTokens.revokedAt), orderBy: [asc(apiTokens.label)] },
  );
  return rows.map(({ row: { id, label, scopes, createdAt, endsAt, usedAt }, person }) => ({
    ...{ id, label, scopes, createdAt, endsAt, usedAt },
    person: person?.name ?? "",
  }));
}

/** Makes a token for a program: it may what its maker may, within its scopes, until it ends. Told once. */
export async function makeToken(
  context: Context,
  asked: { label: string; scopes: readonly string[]; days: string },
): Promise<Outcome<{ token: string }>> {
  if (!may(context, "token.manage")) return forbidden("make tokens");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  const scopes = TOKEN_SCOPES.filter((scope) => asked.scopes.includes(scope));
  const read = readTokenTexts({ label: asked.label, days: asked.days });
  const problems = [
    ...(read.ok ? [] : read.problems),
    ...(scopes.length > 0 ? [] : [{ path: "scopes", message: "May: choose at least one." }]),
  ];
  if (!read.ok || problems.length > 0) return failed("invalid", "No token was made.", problems);
  const { label, days } = read;
  const token = newToken();
  return inTransaction(context, async (context) => {
    const { hall, clock, actor } = context;
    const at = clock.now();
    const [row] = await hall.insert(apiTokens, {
      personId: actor.personId,
      tokenSha256: hashOf(token),
      label,
      scopes,
      createdAt: at,
      endsAt: new Date(at.getTime() + days * DAY_MS),
    });
    await recordChange(context, { entity: "token", entityId: row!.id, action: "made", after: { label, scopes, days } });
    await noteAccount(context, "token-made", label);
    return { ok: true as const, token };
  });
}

/** A token opens nothing from the next request on. */
export async function revokeToken(context: Context, id: string): Promise<Outcome<object>> {
  if (!may(context, "token.manage")) return forbidden("revoke tokens");
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such token");
  return inTransaction(context, async (context) => {
    const { hall, clock } = context;
    const [row] = await hall.update(apiTokens, and(eq(apiTokens.id, id), isNull(apiTokens.revokedAt)), {
      revokedAt: clock.now(),
    });
    if (!row) return notFound("such token");
    await recordChange(context, { entity: "token", entityId: id, action: "revoked", before: { label: row.label } });
    await noteAccount(context, "token-revoked", row.label);
    return { ok: true as const };
  });
}
