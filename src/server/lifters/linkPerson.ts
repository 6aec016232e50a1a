import "server-only";
import { and, asc, eq, isNull, ne } from "drizzle-orm";
import { lifters, people } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";

/** Who signs in as a lifter; null while nobody does, or for whoever may not know. */
export async function personOfLifter(context: Context, personId: string | null): Promise<{ name: string } | null> {
  if (personId === null || !may(context, "lifter.read")) return null;
  return context.hall.first(people, { where: and(eq(people.id, personId), isNull(people.removedAt)) });
}

/** People with the lifter's role who are no lifter yet, by name. */
export async function peopleToLink(context: Context): Promise<{ id: string; name: string }[]> {
  if (!may(context, "lifter.edit")) return [];
  const { hall } = context;
  const linked = new Set((await hall.rows(lifters)).flatMap(({ personId }) => personId ?? []));
  const rows = await hall.rows(people, {
    where: and(eq(people.role, "lifter"), isNull(people.removedAt)),
    orderBy: [asc(people.name)],
  });
  return rows.filter(({ id }) => !linked.has(id)).map(({ id, name }) => ({ id, name }));
}

/** Says that a person is a lifter: they then see their own settings, cards and sets. Null takes that back. */
export async function linkPerson(context: Context, key: string, personId: string | null): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("link lifters");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(lifters, {
      where: and(eq(lifters.key, key), isNull(lifters.retiredAt)),
      forUpdate: true,
    });
    if (!row) return notFound(`lifter ${key}`);
    if (personId !== null) {
      const person = /^[0-9a-f-]{36}$/.test(personId)
        ? await hall.first(people, { where: and(eq(people.id, personId), isNull(people.removedAt)) })
        : null;
      if (!person) return notFound("such person");
      const other = await hall.first(lifters, { where: and(eq(lifters.personId, personId), ne(lifters.id, row.id)) });
      if (other) return failed("impossible", `${person.name} is linked to ${other.name} already.`);
    }
    await hall.update(lifters, eq(lifters.id, row.id), { personId, version: row.version + 1 });
    await recordChange(context, {
      entity: "lifter",
      entityId: row.id,
      action: personId === null ? "unlinked" : "linked to a person",
    });
    return { ok: true as const };
  });
}
