import { readOffer } from "@/core/buying/offer";
import { addDays, type HallDay } from "@/core/units/hallDay";
import type { HallDb } from "../hallDb";
import { houseRules, offers } from "../schema";
import { DEMO_BUDGET_MINOR, DEMO_OFFERS } from "./demoOffers";

/** The demonstration's offers and its budget. */
export async function loadOffers(
  hall: HallDb,
  { today, currency }: { today: HallDay; currency: string },
): Promise<void> {
  const rows = DEMO_OFFERS.map(({ texts, validDays }, i) => {
    const said = { ...texts, ...(validDays === undefined ? {} : { validUntil: addDays(today, validDays) }) };
    const read = readOffer(said, currency);
    if (!read.ok) throw new Error(`demo offer ${texts.name}: ${JSON.stringify(read.problems)}`);
    const { offer } = read;
    return {
      ...{ no: i + 1, name: offer.name, family: offer.record.family, seller: offer.seller, batch: offer.batch },
      state: offer.cost ? ("quoted" as const) : ("idea" as const),
      ...{ texts: said as Record<string, string>, deliveredMinor: offer.cost?.deliveredMinor ?? null, currency },
      validUntil: offer.validUntil,
      enteredAt: new Date(Date.parse(`${today}T08:00:00Z`) - i * 60_000),
    };
  });
  await hall.insert(offers, rows);
  await hall.insert(houseRules, { key: "buying", value: { budgetMinor: DEMO_BUDGET_MINOR, deductions: {} } });
}
