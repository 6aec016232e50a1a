import Joi from "joi";
import type { Bar } from "@/core/bars/bar";
import { DELIVERY_LIMITS, type Offer, OFFER_STATES } from "@/core/buying/offer";
import { FAMILY_KEYS } from "@/core/bars/families";
import { STOCKS } from "@/core/bars/barFields";

const text = () => Joi.string().allow(null).required();
const minor = () => Joi.number().integer().allow(null).required();

/** An offer as lists tell it. */
export const offerItem = Joi.object({
  id: Joi.string().required(),
  code: Joi.string().required().description("O and its number"),
  name: Joi.string().required(),
  family: Joi.string()
    .valid(...FAMILY_KEYS)
    .required(),
  state: Joi.string()
    .valid(...OFFER_STATES)
    .required(),
  stock: Joi.string()
    .valid(...STOCKS)
    .required(),
  quantity: Joi.number().integer().required().description("how many there are"),
  seller: text().description("null below the manager: sellers and prices end there"),
  batch: text(),
  priceMinor: minor().description("of one, in minor units of currency"),
  freightMinor: minor(),
  dutyMinor: minor(),
  currency: Joi.string().required(),
  rate: text().description("what one unit of currency costs in the gym's currency"),
  deliveredMinor: minor().description("all of it, in minor units of the gym's currency"),
  deliveredCurrency: Joi.string().required(),
  leadDays: Joi.number().integer().allow(null).required(),
  delivery: Joi.array()
    .items(Joi.string().valid(...DELIVERY_LIMITS))
    .required(),
  warrantyMonths: Joi.number().integer().allow(null).required(),
  validUntil: text().description("YYYY-MM-DD"),
  orderedOn: text(),
  expectedOn: text(),
  massKg: Joi.number().allow(null).required(),
  shaftDiameterMm: Joi.number().allow(null).required(),
  shaftLengthMm: Joi.number().allow(null).required(),
  link: text(),
  note: text(),
  version: Joi.number().integer().required(),
});

interface Item {
  code: string;
  offer: Offer;
  bar: Bar;
  deliveredMinor: number | null;
  row: {
    id: string;
    state: string;
    currency: string;
    orderedOn: string | null;
    expectedOn: string | null;
    version: number;
  };
}

/** An offer as it is told. */
export function offerItemOf({ code, offer, bar, deliveredMinor, row }: Item) {
  const stated = (kind: keyof Bar["quantities"]) => bar.quantities[kind]?.value ?? null;
  const { name, stock, quantity, seller, batch, cost, rate, leadDays, delivery, warrantyMonths, validUntil } = offer;
  return {
    ...{ id: row.id, code, name, family: bar.family, state: row.state, stock, quantity, seller, batch },
    ...{ priceMinor: cost?.price.minor ?? null, freightMinor: cost?.freight.minor ?? null },
    ...{ dutyMinor: cost?.duty.minor ?? null, currency: offer.currency, rate },
    ...{ deliveredMinor, deliveredCurrency: row.currency, leadDays, delivery, warrantyMonths, validUntil },
    ...{ orderedOn: row.orderedOn, expectedOn: row.expectedOn, massKg: stated("mass") },
    ...{ shaftDiameterMm: stated("shaftDiameter"), shaftLengthMm: stated("shaftLength") },
    ...{ link: offer.link, note: offer.note, version: row.version },
  };
}
