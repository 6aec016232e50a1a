import "server-only";
import { desc, eq } from "drizzle-orm";
import { type Offer, isValidOn, readOffer } from "@/core/buying/offer";
import type { Problem } from "@/core/problem";
import { addDays } from "@/core/units/hallDay";
import { bars, offers } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange, stale } from "@/server/kit";
import type { OfferRow } from "./offerRows";

/** What is written of an offer that was read. */
export function columnsOf(offer: Offer, texts: Record<string, string>, currency: string) {
  return {
    ...{ name: offer.name, family: offer.record.family, seller: offer.seller, batch: offer.batch, texts, currency },
    ...{ deliveredMinor: offer.cost?.deliveredMinor ?? null, validUntil: offer.validUntil },
  };
}

/** A tag that hangs on the wall already is nobody's to promise. */
export async function tagProblem({ hall }: Context, tag: string | null): Promise<Problem[]> {
  if (!tag) return [];
  const owned = await hall.first(bars, { where: eq(bars.tag, tag) });
  return owned && owned.state !== "retired"
    ? [{ path: "wantedTag", message: `Tag it will get: ${tag} hangs on the wall already; take another tag` }]
    : [];
}

/** The next number of an offer; call it while the numbers are held. */
export async function nextNumber({ hall }: Context): Promise<number> {
  const last = await hall.first(offers, { orderBy: [desc(offers.no)] });
  return (last?.no ?? 0) + 1;
}

/**
 * Adds an offer, or changes what is known of one that is not ordered yet.
 *
 * @param id null for a new one.
 */
export async function saveOffer(
  context: Context,
  { id, version, texts }: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ id: string }>> {
  if (!may(context, "offer.edit")) return forbidden("add offers");
  const { currency } = context.actor;
  const read = readOffer(texts, currency);
  const problems = [...(read.ok ? [] : read.problems), ...(await tagProblem(context, texts.wantedTag?.trim() ?? null))];
  if (!read.ok || problems.length > 0) return failed("invalid", "Not saved.", problems);
  const said = Object.fromEntries(Object.entries(texts).filter(([, text]) => text.trim() !== ""));
  const columns = columnsOf(read.offer, said, currency);
  const state = columns.deliveredMinor === null ? ("idea" as const) : ("quoted" as const);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    if (id === null) {
      await hall.hold("offers");
      const [made] = await hall.insert(offers, { ...columns, state, no: await nextNumber(context) });
      await recordChange(context, { entity: "offer", entityId: made!.id, action: "added", after: said });
      return { ok: true, id: made!.id };
    }
    const row = await locked(context, id);
    if (!row) return notFound("such offer");
    if (row.version !== version) return changed(row);
    if (row.state === "ordered" || row.state === "arrived")
      return failed("impossible", `It is ${row.state} already. What was agreed is kept as it was.`);
    await hall.update(offers, eq(offers.id, id), {
      ...columns,
      // What was refused or approved, was that at other terms.
      ...{ state, reason: null, approvedOn: null, approvedBy: null, version: row.version + 1 },
    });
    await recordChange(context, { entity: "offer", entityId: id, action: "edited", before: row.texts, after: said });
    return { ok: true, id };
  });
}

const locked = ({ hall }: Context, id: string): Promise<OfferRow | null> =>
  /^[0-9a-f-]{36}$/.test(id)
    ? hall.first(offers, { where: eq(offers.id, id), forUpdate: true })
    : Promise.resolve(null);

const changed = (row: OfferRow) =>
  stale(
    `Someone else changed this offer meanwhile: it is ${row.state} now${row.reason ? `, ${row.reason}` : ""}. Nothing was changed.`,
    row.version,
  );

/** What can be decided about an offer. */
export type Decision =
  { kind: "approve" } | { kind: "order"; quantity: string } | { kind: "cancel" } | { kind: "refuse"; reason: string };

/** Decides about an offer, against the version that the screen showed: two who decide at once do not overwrite. */
export async function decideOffer(
  context: Context,
  id: string,
  version: number,
  decision: Decision,
): Promise<Outcome<{ id: string }>> {
  if (!may(context, "offer.edit")) return forbidden("decide about offers");
  return inTransaction(context, async (context) => {
    const { hall, clock, actor } = context;
    const row = await locked(context, id);
    if (!row) return notFound("such offer");
    if (row.version !== version) return changed(row);
    const step = stepOf(row, decision, clock.today, actor.personId, actor.currency);
    if ("problem" in step) return failed("impossible", step.problem.message, [step.problem]);
    await hall.update(offers, eq(offers.id, id), { ...step.set, version: row.version + 1 });
    await recordChange(context, {
      ...{ entity: "offer", entityId: id, action: step.action },
      ...{ before: { state: row.state }, after: step.set },
      ...(decision.kind === "refuse" ? { reason: decision.reason } : {}),
    });
    return { ok: true, id };
  });
}

type Step = { action: string; set: Partial<OfferRow> } | { problem: Problem };

function stepOf(row: OfferRow, decision: Decision, today: string, personId: string, home: string): Step {
  const cannot = (message: string, path = "state"): Step => ({ problem: { path, message } });
  switch (decision.kind) {
    case "approve":
      if (row.state !== "quoted")
        return cannot(row.state === "idea" ? "Nobody quoted a price yet. Add it first." : `It is ${row.state}.`);
      return { action: "approved", set: { approvedOn: today, approvedBy: personId } };
    case "order": {
      if (row.state === "idea") return cannot("Nobody quoted a price yet. Add it first.");
      if (row.state !== "quoted") return cannot(`It is ${row.state}.`);
      if (!row.approvedOn) return cannot("It is not approved yet.");
      if (!isValidOn(row, today))
        return cannot(`It was valid until ${row.validUntil}. Ask the seller, then change the day.`, "validUntil");
      const read = readOffer(row.texts, home);
      if (!read.ok) return { problem: read.problems[0]! };
      const quantity = /^\s*\d{1,3}\s*$/.test(decision.quantity) ? Number(decision.quantity) : 0;
      if (quantity < 1 || quantity > read.offer.quantity)
        return cannot(
          `How many: “${decision.quantity}” must be from 1 to ${read.offer.quantity}, which is how many there are.`,
          "quantity",
        );
      const { leadDays } = read.offer;
      return {
        action: "ordered",
        set: {
          ...{ state: "ordered", orderedOn: today, orderedQuantity: quantity },
          expectedOn: leadDays === null ? null : addDays(today, leadDays),
        },
      };
    }
    case "cancel":
      if (row.state !== "ordered") return cannot(`It is ${row.state}, not ordered.`);
      return {
        action: "order cancelled",
        set: { state: "quoted", orderedOn: null, orderedQuantity: null, expectedOn: null },
      };
    case "refuse":
      if (row.state === "arrived" || row.state === "ordered") return cannot(`It is ${row.state} already.`);
      if (decision.reason.trim() === "" || decision.reason.length > 200)
        return cannot("Why: a few words, at most 200 characters.", "reason");
      return {
        action: "refused",
        set: { state: "refused", reason: decision.reason.trim(), approvedOn: null, approvedBy: null },
      };
  }
}
