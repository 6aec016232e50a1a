import "server-only";
import { and, eq, ne } from "drizzle-orm";
import { fieldTexts, readFields } from "@/core/bars/fieldText";
import type { Problem } from "@/core/problem";
import { PLACE_FIELDS, freeSlot, missingParts, readLooseParts } from "@/core/setups/storage";
import { bars, places, putAways, stations } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careFollows } from "@/server/care/planning";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";

/** Hangs a bar at another place, on its first free peg or the one that is said. */
export async function hangBar(
  context: Context,
  ask: { tag: string; place: string; slot: number | null },
): Promise<Outcome<{ slot: number | null }>> {
  if (!may(context, "bar.put-away")) return forbidden("move bars");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const bar = await hall.first(bars, {
      where: and(eq(bars.tag, ask.tag), ne(bars.state, "retired")),
      forUpdate: true,
    });
    if (!bar) return notFound(`bar ${ask.tag}`);
    // The place is locked too, so that two bars that are hung up at once do not get one peg.
    const place = await hall.first(places, { where: eq(places.name, ask.place), forUpdate: true });
    if (!place) return notFound(`place ${ask.place}`);
    const here = await hall.rows(bars, {
      where: and(eq(bars.placeId, place.id), ne(bars.state, "retired"), ne(bars.id, bar.id)),
    });
    const taken = here.map(({ placeSlot }) => placeSlot);
    if (place.slots !== null && here.length >= place.slots)
      return failed("impossible", `${place.name} is full: it holds ${place.slots}.`);
    if (ask.slot !== null && place.slots !== null && !(ask.slot >= 1 && ask.slot <= place.slots))
      return failed("invalid", `${place.name} has pegs 1 to ${place.slots}.`, [
        { path: "slot", message: `from 1 to ${place.slots}` },
      ]);
    if (ask.slot !== null && taken.includes(ask.slot)) {
      const other = here.find(({ placeSlot }) => placeSlot === ask.slot)!;
      return failed("impossible", `${other.tag} hangs on peg ${ask.slot} of ${place.name}.`);
    }
    const slot = ask.slot ?? freeSlot(place, taken);
    const before = bar.placeId ? await hall.first(places, { where: eq(places.id, bar.placeId) }) : null;
    if (bar.placeId === place.id && bar.placeSlot === slot) return { ok: true, slot };
    await hall.update(bars, eq(bars.id, bar.id), { placeId: place.id, placeSlot: slot, version: bar.version + 1 });
    await recordChange(context, {
      entity: "bar",
      entityId: bar.id,
      action: "edited",
      before: {
        ...(before ? { place: before.name } : {}),
        ...(bar.placeSlot ? { placeSlot: String(bar.placeSlot) } : {}),
      },
      after: { place: place.name, ...(slot === null ? {} : { placeSlot: String(slot) }) },
    });
    // The air is another one there.
    if (before?.sensorKey !== place.sensorKey) await careFollows(context);
    return { ok: true, slot };
  });
}

/** Puts a place or a station somewhere on the floor sketch, in thousandths of its width and height. */
export async function movePlace(context: Context, ask: { id: string; x: number; y: number }): Promise<Outcome<object>> {
  if (!may(context, "equipment.edit")) return forbidden("move places");
  const [x, y] = [ask.x, ask.y].map((part) => Math.round(part));
  if (!(x! >= 0 && x! <= 1000 && y! >= 0 && y! <= 1000))
    return failed("invalid", "That is off the sketch.", [{ path: "x", message: "from 0 to 1000" }]);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(places, { where: eq(places.id, ask.id), forUpdate: true });
    if (row) await hall.update(places, eq(places.id, row.id), { planX: x, planY: y });
    else {
      const moved = await hall.update(stations, eq(stations.id, ask.id), { planX: x, planY: y });
      if (moved.length === 0) return notFound("place or station like that");
    }
    return { ok: true };
  });
}

/** Enters or changes a place; a stale form is refused. */
export async function savePlace(
  context: Context,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ id: string }>> {
  if (!may(context, "equipment.edit")) return forbidden("change places");
  const read = readFields(PLACE_FIELDS, form.texts);
  if (!read.ok) return failed("invalid", "Not saved.", read.problems);
  const values = read.values as Record<string, unknown>;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const all = await hall.rows(places);
    const problems: Problem[] = [];
    const name = String(values.name);
    if (all.some((one) => one.id !== form.id && one.name.toLowerCase() === name.toLowerCase()))
      problems.push({ path: "name", message: `there is a place ${name} already` });
    const key = values.stationKey as string | null;
    if (key && !(await hall.first(stations, { where: eq(stations.key, key) })))
      problems.push({ path: "stationKey", message: `there is no station ${key}` });
    if (values.kind === "rack" && !key)
      problems.push({ path: "stationKey", message: "say which rack: its spare J-cups are counted" });
    if (problems.length > 0) return failed("invalid", "Not saved.", problems);
    const columns = { ...values } as Partial<typeof places.$inferInsert>;
    if (form.id === null) {
      const [made] = await hall.insert(places, {
        ...(columns as { name: string }),
        roundOrder: Math.max(0, ...all.map(({ roundOrder }) => roundOrder)) + 1,
      });
      await recordChange(context, {
        entity: "place",
        entityId: made!.id,
        action: "entered",
        after: fieldTexts(PLACE_FIELDS, values),
      });
      return { ok: true, id: made!.id };
    }
    const row = await hall.first(places, { where: eq(places.id, form.id), forUpdate: true });
    if (!row) return notFound("place like that");
    if (row.version !== form.version)
      return failed("stale", "Someone else changed this place meanwhile. Look at it and enter yours again.");
    await hall.update(places, eq(places.id, row.id), { ...columns, version: row.version + 1 });
    await recordChange(context, {
      entity: "place",
      entityId: row.id,
      action: "edited",
      before: fieldTexts(PLACE_FIELDS, row),
      after: fieldTexts(PLACE_FIELDS, values),
    });
    return { ok: true, id: row.id };
  });
}

/** Puts a bar away: its loose parts are counted, and what is not there is remembered until the next count. */
export async function putAway(
  context: Context,
  ask: { tag: string; counted: readonly number[] },
): Promise<Outcome<{ missing: string[] }>> {
  if (!may(context, "bar.put-away")) return forbidden("put bars away");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const bar = await hall.first(bars, {
      where: and(eq(bars.tag, ask.tag), ne(bars.state, "retired")),
      forUpdate: true,
    });
    if (!bar) return notFound(`bar ${ask.tag}`);
    const parts = readLooseParts(bar.looseParts ?? []);
    const problems = parts.flatMap(({ name }, i): Problem[] => {
      const count = ask.counted[i];
      return count !== undefined && Number.isInteger(count) && count >= 0 && count <= 99
        ? []
        : [{ path: `part.${i}`, message: `how many ${name} are there?` }];
    });
    if (problems.length > 0) return failed("invalid", "Count every part.", problems);
    const missing = missingParts(parts, ask.counted);
    const counts = Object.fromEntries(parts.map(({ name }, i) => [name, ask.counted[i]!]));
    await hall.insert(putAways, {
      barId: bar.id,
      personId: context.actor.personId,
      at: context.clock.now(),
      counts,
      missing,
    });
    await recordChange(context, {
      entity: "bar",
      entityId: bar.id,
      action: missing.length > 0 ? "put away, parts missing" : "put away",
      after: counts,
    });
    return { ok: true, missing };
  });
}
