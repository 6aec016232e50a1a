import "server-only";
import { and, eq, ne } from "drizzle-orm";
import { batchRisk, type BatchRisk } from "@/core/buying/batchRisk";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { barQuantities, bars } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { changeBarState } from "@/server/bars";
import { type Outcome, failed, forbidden, notFound } from "@/server/kit";
import { measuringRules } from "@/server/rules";

/** How right a seller's figures of one quantity have been here. */
export interface SellerRecord extends BatchRisk {
  kind: QuantityKind;
  label: string;
  tolerance: number;
  unit: string;
}

/** Measured against stated, of a seller's bars: by quantity, those that were measured most first. */
export async function sellerRecord(
  context: Context,
  seller: string | null,
  batch: string | null,
): Promise<SellerRecord[]> {
  if (!may(context, "price.read") || !seller) return [];
  const { hall } = context;
  const [rows, { tolerances }] = [
    await hall.rowsWith(
      barQuantities,
      {
        bar: {
          table: bars,
          on: eq(bars.id, barQuantities.barId),
          columns: { supplier: bars.supplier, batch: bars.batch },
        },
      },
      { where: eq(barQuantities.source, "measured") },
    ),
    await measuringRules(context),
  ];
  const same = (a: string | null, b: string | null) => a !== null && a.trim().toLowerCase() === b?.trim().toLowerCase();
  const own = rows.filter(({ bar }) => same(bar!.supplier, seller));
  const ofBatch = batch ? own.filter(({ bar }) => same(bar!.batch, batch)) : [];
  // What is known of the very batch counts before what is known of the seller.
  const used = ofBatch.length > 0 ? ofBatch : own;
  return QUANTITY_KINDS.flatMap((kind): SellerRecord[] => {
    const tolerance = tolerances[kind];
    if (tolerance === null) return [];
    const gaps = used.flatMap(({ row }) =>
      row.kind === kind && row.stated !== null ? [row.effective - row.stated] : [],
    );
    const { label, unit } = QUANTITIES[kind];
    return gaps.length === 0 ? [] : [{ kind, label, tolerance, unit, ...batchRisk(gaps, tolerance) }];
  }).sort((a, b) => b.bars - a.bars || a.within - b.within);
}

/** Puts every bar of a batch on watch, with the reason and what the seller was told; all of them or none. */
export async function watchBatch(
  context: Context,
  { batch, reason }: { batch: string; reason: string },
): Promise<Outcome<{ tags: string[] }>> {
  if (!may(context, "offer.edit")) return forbidden("put a batch on watch");
  if (reason.trim() === "" || reason.length > 140)
    return failed("invalid", "Nothing was changed.", [
      { path: "reason", message: "Why: a few words, at most 140 characters." },
    ]);
  return inTransaction(context, async (context) => {
    const rows = await context.hall.rows(bars, { where: and(eq(bars.batch, batch), ne(bars.state, "retired")) });
    if (rows.length === 0) return notFound(`bar of batch ${batch}`);
    const tags: string[] = [];
    for (const { tag, state, version } of rows) {
      // Quarantined stays quarantined.
      if (state === "quarantined" || state === "watch" || state === "on-order") continue;
      const done = await changeBarState(context, {
        ...{ tag, version, state: "watch", reason: `Batch ${batch}: ${reason.trim()}` },
      });
      if (!done.ok) return done;
      tags.push(tag);
    }
    return { ok: true, tags };
  });
}
