import "server-only";
import { and, inArray, ne } from "drizzle-orm";
import type { Bar, BarState } from "@/core/bars/bar";
import type { FamilyKey } from "@/core/bars/families";
import { moneyText } from "@/core/buying/money";
import { bars } from "@/data/schema";
import type { ComparisonRow } from "@/core/whip/comparisonRows";
import type { Context } from "@/server/access";
import type { OfferItem } from "@/server/offers";

/** Facts that only the record has. */
export interface FactRow {
  tag: string;
  family: FamilyKey;
  state: BarState;
  massKg: number | null;
  looseParts: string[] | null;
  sticksOutMm: number | null;
  areSleevesGrooved: boolean | null;
  knurlShape: string | null;
  padShape: string | null;
  handleShape: string | null;
  sleeveService: string | null;
  bearingsPerSide: number | null;
  expectedOn: string | null;
  stock: string | null;
  savingMinor: number | null;
  priceCurrency: string | null;
}

/** What is kept of the gym's bars of some families that only the record has. */
export async function familyFacts({ hall }: Context, families: readonly FamilyKey[]): Promise<FactRow[]> {
  if (families.length === 0) return [];
  return hall.summary(
    bars,
    {
      ...{ tag: bars.tag, family: bars.family, state: bars.state, massKg: bars.massKg, looseParts: bars.looseParts },
      ...{ sticksOutMm: bars.sticksOutMm, areSleevesGrooved: bars.areSleevesGrooved, knurlShape: bars.knurlShape },
      ...{ padShape: bars.padShape, handleShape: bars.handleShape, sleeveService: bars.sleeveService },
      ...{ bearingsPerSide: bars.bearingsPerSide, expectedOn: bars.expectedOn, stock: bars.stock },
      ...{ savingMinor: bars.savingMinor, priceCurrency: bars.priceCurrency },
    },
    { where: and(inArray(bars.family, [...new Set(families)]), ne(bars.state, "retired")) },
  );
}

/** The same facts of a bar on offer, as its seller states them. */
export function offeredFacts({ bar, offer: { record, stock } }: OfferItem): FactRow {
  return {
    ...{ tag: bar.tag, family: bar.family, state: "on-order", stock },
    massKg: bar.quantities.mass?.value ?? null,
    looseParts: record.looseParts && [...record.looseParts],
    ...{ sticksOutMm: record.sticksOutMm, areSleevesGrooved: record.areSleevesGrooved, knurlShape: record.knurlShape },
    ...{ padShape: record.padShape, handleShape: record.handleShape, sleeveService: record.sleeveService },
    ...{ bearingsPerSide: record.bearingsPerSide, expectedOn: null, savingMinor: null, priceCurrency: null },
  };
}

/** Facts in words, each where some bar has it. */
export function factRows(
  items: readonly { bar: Bar }[],
  facts: readonly FactRow[],
  mayReadPrices: boolean,
): ComparisonRow[] {
  const own = items.map(({ bar }) => facts.find(({ tag }) => tag === bar.tag) ?? null);
  const row = (name: string, of: (fact: FactRow) => string | null): ComparisonRow[] => {
    const texts = own.map((fact) => (fact ? (of(fact) ?? "") : ""));
    if (texts.every((text) => text === "")) return [];
    return [
      {
        ...{ name, unit: "", by: "", isEqual: new Set(texts).size === 1 },
        cells: texts.map((text) => ({ text: text || "–", isStated: false })),
      },
    ];
  };
  return [
    ...row("knurl shape", ({ knurlShape }) => knurlShape),
    ...row("pad shape", ({ padShape }) => padShape),
    ...row("handle shape", ({ handleShape }) => handleShape),
    ...row("sleeve can be", ({ sleeveService }) => sleeveService),
    ...row("bearings or cartridges a side", ({ bearingsPerSide }) =>
      bearingsPerSide === null ? null : String(bearingsPerSide),
    ),
    ...row("grooved sleeves", ({ areSleevesGrooved }) =>
      areSleevesGrooved === null ? null : areSleevesGrooved ? "yes, louder" : "no",
    ),
    ...row("stock", ({ stock }) => stock),
    ...(mayReadPrices
      ? row("saved against new", ({ savingMinor, priceCurrency }) =>
          savingMinor === null || !priceCurrency ? null : moneyText({ minor: savingMinor, currency: priceCurrency }),
        )
      : []),
    ...row("expected on", ({ expectedOn }) => expectedOn),
  ];
}
