import "server-only";
import Papa from "papaparse";
import { readOffer, type Offer } from "@/core/buying/offer";
import { offerColumnsOf, offerRowTexts } from "@/core/buying/offerColumns";
import type { Problem } from "@/core/problem";
import { plainCell } from "@/core/units/csvCells";
import { offers } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChanges } from "@/server/kit";
import { columnsOf, nextNumber, tagProblem } from "./changeOffers";

const MAX_ROWS = 500;
const MAX_SAID = 50;

/** What a file of offers would add. */
export interface OfferImport {
  offers: { name: string; seller: string | null; state: "idea" | "quoted"; isKnown: boolean }[];
  added: number;
  /** Heads that nothing fits; their cells are left out. */
  unknownHeads: string[];
}

/**
 * Imports a seller's list, pasted or from a file: all of it or nothing. What is there already, said in the same words, is
 * not added again.
 *
 * @param isDry says what would be added and adds nothing.
 */
export async function importOffers(
  context: Context,
  { text, isDry }: { text: string; isDry: boolean },
): Promise<Outcome<{ import: OfferImport }>> {
  if (!may(context, "offer.edit")) return forbidden("import offers");
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" });
  const [heads = [], ...rows] = data.map((row) => row.map(plainCell));
  const columns = offerColumnsOf(heads.map((head) => head.trim()));
  const wrong = (problems: Problem[]) =>
    failed("invalid", "Nothing imported. Fix the file.", problems.slice(0, MAX_SAID));
  if (rows.length === 0)
    return wrong([
      { path: "text", message: "The first row names the columns, each other row is an offer: name, family, price …" },
    ]);
  if (rows.length > MAX_ROWS) return wrong([{ path: "text", message: `At most ${MAX_ROWS} offers at once.` }]);
  const { currency } = context.actor;
  const problems: Problem[] = [];
  const read: { texts: Record<string, string>; offer: Offer }[] = [];
  for (const [i, cells] of rows.entries()) {
    const texts = offerRowTexts(cells, columns);
    const one = readOffer(texts, currency);
    const own = [...(one.ok ? [] : one.problems), ...(await tagProblem(context, texts.wantedTag ?? null))];
    for (const { path, message } of own)
      problems.push({ path: `row ${i + 2}.${path}`, message: `Row ${i + 2}, ${message}` });
    if (one.ok) read.push({ texts, offer: one.offer });
  }
  if (problems.length > 0) return wrong(problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("offers");
    const keyOf = (texts: Record<string, string>) => JSON.stringify(Object.entries(texts).sort());
    const known = new Set((await hall.rows(offers)).map((row) => keyOf(row.texts)));
    const fresh = read.filter(({ texts }) => !known.has(keyOf(texts)));
    const stateOf = ({ cost }: Offer) => (cost ? ("quoted" as const) : ("idea" as const));
    const found: OfferImport = {
      offers: read.map(({ texts, offer }) => ({
        ...{ name: offer.name, seller: offer.seller, state: stateOf(offer), isKnown: known.has(keyOf(texts)) },
      })),
      added: fresh.length,
      unknownHeads: columns.unknown,
    };
    if (isDry || fresh.length === 0) return { ok: true, import: found };
    const first = await nextNumber(context);
    const made = await hall.insert(
      offers,
      fresh.map(({ texts, offer }, i) => ({
        ...columnsOf(offer, texts, currency),
        ...{ state: stateOf(offer), no: first + i },
      })),
    );
    await recordChanges(
      context,
      made.map(({ id, texts }) => ({ entity: "offer" as const, entityId: id, action: "imported", after: texts })),
    );
    return { ok: true, import: found };
  });
}
