import Joi from "joi";
import type { PurchasePlan, PurchaseQuestion } from "@/core/buying/purchaseQuestion";
import { deadlineMs, id } from "./fields";
import type { Problem } from "./problems";

export interface PurchaseRequest {
  budgetMinor: number;
  offers: { id: string; costMinor: number; atMost: number }[];
  needs: { id: string; weight: number; owned: number; offers: { id: string; points: number; copies: number }[] }[];
  deadlineMs: number;
}

export const MAX_OFFERS = 60;
export const MAX_NEEDS = 5000;
const MAX_COPIES = 100;
const MAX_POINTS = 1_000_000;
/** Of each offer points for one copy and for several. */
const MAX_POINTS_OF_NEED = 600;

/** Far beyond any gym, and all sums stay exact. */
const minor = () => Joi.number().integer().min(0).max(1_000_000_000_000);
const copies = () => Joi.number().integer().min(1).max(MAX_COPIES).default(1);
const points = () => Joi.number().min(-MAX_POINTS).max(MAX_POINTS).required();

export const purchaseRequest = Joi.object<PurchaseRequest>({
  budgetMinor: minor().required().description("in whole minor units of one currency, as all costs"),
  offers: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        costMinor: minor().required().description("of one, delivered"),
        atMost: copies().description("how many there are"),
      }),
    )
    .max(MAX_OFFERS)
    .unique("id")
    .required(),
  needs: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        weight: Joi.number().min(0).max(MAX_POINTS).required(),
        owned: points().description("of the best bar that is owned"),
        offers: Joi.array()
          .items(
            Joi.object({
              id: id().required(),
              points: points(),
              copies: copies().description("points count once so many are chosen"),
            }),
          )
          .max(MAX_POINTS_OF_NEED)
          .unique(
            (a: { id: string; copies?: number }, b: typeof a) => a.id === b.id && (a.copies ?? 1) === (b.copies ?? 1),
          )
          .required(),
      }),
    )
    .max(MAX_NEEDS)
    .unique("id")
    .required(),
  deadlineMs: deadlineMs().description("the best choice so far is answered then"),
}).required();

const chosen = () =>
  Joi.array().items(Joi.object({ id: Joi.string().required(), quantity: Joi.number().integer().required() }));

export const purchaseAnswer = Joi.object({
  chosen: chosen().required(),
  costMinor: Joi.number().integer().required(),
  gain: Joi.number().required().description("Σ weight × max(0, best points among chosen − owned)"),
  bound: Joi.number().required().description("no choice within the budget gains more"),
  provenOptimal: Joi.boolean().required(),
  onlyOne: Joi.string().allow(null).required().description("the offer of greatest gain alone within the budget"),
  next: Joi.object({ extraMinor: Joi.number().integer().required(), chosen: chosen().required() })
    .allow(null)
    .required()
    .description("the smallest extra budget at which the choice gains more; null where none does or it is not proven"),
});

/** What a schema cannot say: points for something that is not offered. */
export function purchaseProblems({ offers, needs }: PurchaseRequest): Problem[] {
  const known = new Set(offers.map((offer) => offer.id));
  return needs.flatMap((need, i) =>
    need.offers.flatMap((one, j) =>
      known.has(one.id) ? [] : [{ path: `needs.${i}.offers.${j}.id`, message: `"${one.id}" is not among the offers` }],
    ),
  );
}

export const purchaseQuestion = ({ budgetMinor, offers, needs }: PurchaseRequest): PurchaseQuestion => ({
  ...{ budgetMinor, offers, needs },
});

export const answerPurchase = ({
  chosen: own,
  costMinor,
  gain,
  bound,
  provenOptimal,
  onlyOne,
  next,
}: PurchasePlan) => ({ chosen: own, costMinor, gain, bound, provenOptimal, onlyOne, next });
