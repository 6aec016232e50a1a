import { ROUTES } from "@/api/routes";
import { answerStrength, strengthProblems, strengthQuestion, type StrengthRequest } from "@/api/strength";
import { AT_ONCE_OF_INTERFACE, compute } from "@/server/computing";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, StrengthRequest>(
  ROUTES.strength,
  async ({ context, body }) => {
    const problems = strengthProblems(body);
    if (problems.length > 0) return refuse("bad-request", "The sets do not agree with each other.", problems);
    const limits = { atOnce: AT_ONCE_OF_INTERFACE };
    return { body: answerStrength(await compute(context, "strength", strengthQuestion(body), limits)) };
  },
);
