import { sql } from "drizzle-orm";
import {
  bigint,
  boolean,
  check,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import type { FamilyKey } from "../../core/bars/families";
import type { OfferState } from "../../core/buying/offer";
import { bars } from "./bars";
import { bytes } from "./bytes";
import { hallId, people } from "./hall";

/** Bars that might be bought, from an idea to the one that arrived. Prices end at the manager. */
export const offers = pgTable(
  "offers",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    /** Its number in the gym: O7. */
    no: integer().notNull(),
    name: text().notNull(),
    family: text().$type<FamilyKey>().notNull(),
    seller: text(),
    batch: text(),
    state: text().$type<OfferState>().notNull(),
    /** Everything that was said, as text by field: the bar's and the offer's. `readOffer` reads it. */
    texts: jsonb().$type<Record<string, string>>().notNull(),
    /** What one costs delivered, in minor units of the gym's currency as it was then; null without a price. */
    deliveredMinor: bigint({ mode: "number" }),
    currency: text().notNull(),
    validUntil: date({ mode: "string" }),
    /** Why it was refused. */
    reason: text(),
    approvedOn: date({ mode: "string" }),
    approvedBy: uuid(),
    orderedOn: date({ mode: "string" }),
    orderedQuantity: integer(),
    expectedOn: date({ mode: "string" }),
    version: integer().notNull().default(1),
    enteredAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.no),
    foreignKey({ columns: [t.hallId, t.approvedBy], foreignColumns: [people.hallId, people.id] }),
    index("offers_by_state").on(t.hallId, t.state),
    check("offers_state", sql`${t.state} in ('idea', 'quoted', 'ordered', 'arrived', 'refused')`),
    check("offers_money", sql`coalesce(${t.deliveredMinor}, 0) >= 0`),
    check("offers_order", sql`(${t.orderedOn} is null) = (${t.orderedQuantity} is null)`),
  ],
);

/** What a receiving check found: the bar is kept, a claim is made, or it goes back. */
export const DELIVERY_VERDICTS = ["keep", "claim", "return"] as const;
export type DeliveryVerdict = (typeof DELIVERY_VERDICTS)[number];

/** Bars of an order that came, one row each. */
export const deliveries = pgTable(
  "deliveries",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    offerId: uuid().notNull(),
    arrivedOn: date({ mode: "string" }).notNull(),
    verdict: text().$type<DeliveryVerdict>().notNull(),
    /** By check, "fine" or "wrong". */
    answers: jsonb().$type<Record<string, string>>().notNull(),
    /** By quantity, readings as typed. */
    readings: jsonb().$type<Record<string, string>>().notNull(),
    /** What speaks against it, as it was found. */
    reasons: jsonb().$type<string[]>().notNull(),
    note: text(),
    /** The bar that it became. */
    barId: uuid(),
    /** A claim that the seller answered, and how. */
    isResolved: boolean().notNull().default(false),
    resolution: text(),
    personId: uuid().notNull(),
    enteredAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    foreignKey({ columns: [t.hallId, t.offerId], foreignColumns: [offers.hallId, offers.id] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index("deliveries_by_offer").on(t.hallId, t.offerId),
    check("deliveries_verdict", sql`${t.verdict} in ('keep', 'claim', 'return')`),
  ],
);

/** Photos of what arrived. */
export const deliveryPhotos = pgTable(
  "delivery_photos",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    deliveryId: uuid().notNull(),
    photo: bytes().notNull(),
    photoType: text().notNull(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.deliveryId], foreignColumns: [deliveries.hallId, deliveries.id] }),
    index("delivery_photos_by_delivery").on(t.hallId, t.deliveryId),
    check("delivery_photos_size", sql`octet_length(${t.photo}) <= 5242880`),
  ],
);

/** What was paid for a bar beside its price: repairs and parts. */
export const barRepairs = pgTable(
  "bar_repairs",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    paidOn: date({ mode: "string" }).notNull(),
    minor: bigint({ mode: "number" }).notNull(),
    note: text().notNull(),
    personId: uuid().notNull(),
    enteredAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index("bar_repairs_by_bar").on(t.hallId, t.barId),
    check("bar_repairs_minor", sql`${t.minor} > 0`),
  ],
);
