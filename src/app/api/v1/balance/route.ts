import { answerBalance, type BalanceRequest } from "@/api/balance";
import { ROUTES } from "@/api/routes";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, BalanceRequest>(ROUTES.balance, ({ body }) => {
  const result = answerBalance(body);
  return result
    ? { body: result }
    : refuse("impossible", "Nothing balances at this shank lean and depth: no trunk lean from −10° to 89° does it.");
});
