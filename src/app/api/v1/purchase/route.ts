import { answerPurchase, purchaseProblems, purchaseQuestion, type PurchaseRequest } from "@/api/purchase";
import { ROUTES } from "@/api/routes";
import { AT_ONCE_OF_INTERFACE, compute } from "@/server/computing";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, PurchaseRequest>(
  ROUTES.purchase,
  async ({ context, body }) => {
    const problems = purchaseProblems(body);
    if (problems.length > 0) return refuse("bad-request", "Needs and offers do not agree with each other.", problems);
    const limits = { ms: body.deadlineMs, atOnce: AT_ONCE_OF_INTERFACE };
    return { body: answerPurchase(await compute(context, "purchase", purchaseQuestion(body), limits)) };
  },
);
