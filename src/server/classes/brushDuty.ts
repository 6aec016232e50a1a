import "server-only";
import { eq } from "drizzle-orm";
import { classes } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange, stale } from "@/server/kit";

const MAX_NAME = 60;

/**
 * Names who brushes the knurl between heavy attempts in a class, or nobody. What is assigned stays: a brush changes no
 * plan.
 */
export async function saveBrushDuty(
  context: Context,
  { id, name, version }: { id: string; name: string; version: number },
): Promise<Outcome<object>> {
  if (!may(context, "class.edit")) return forbidden("name a brush duty");
  const said = name.trim();
  if (said.length > MAX_NAME)
    return failed("invalid", "Not saved.", [
      { path: "brushBy", message: `Brush duty: at most ${MAX_NAME} characters.` },
    ]);
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such class");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(classes, { where: eq(classes.id, id), forUpdate: true });
    if (!row) return notFound("such class");
    if (row.version !== version)
      return stale(
        `Someone else changed this class meanwhile. The brush duty is ${row.brushBy ?? "nobody’s"}. Save again to overwrite.`,
        row.version,
      );
    await hall.update(classes, eq(classes.id, id), { brushBy: said || null, version: row.version + 1 });
    await recordChange(context, {
      ...{ entity: "class", entityId: id, action: "brush duty" },
      ...{ before: { brushBy: row.brushBy }, after: { brushBy: said || null } },
    });
    return { ok: true as const };
  });
}
