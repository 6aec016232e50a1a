import { ROUTES } from "@/api/routes";
import { answerSessionPlan, sessionPlanProblems, type SessionPlanRequest, sessionQuestion } from "@/api/sessionPlan";
import { AT_ONCE_OF_INTERFACE, compute } from "@/server/computing";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, SessionPlanRequest>(
  ROUTES.sessionPlan,
  async ({ context, body }) => {
    const problems = sessionPlanProblems(body);
    if (problems.length > 0)
      return refuse("bad-request", "The plates on the bar and the plates do not agree.", problems);
    const limits = { ms: body.deadlineMs, atOnce: AT_ONCE_OF_INTERFACE };
    return { body: answerSessionPlan(await compute(context, "sessionPlan", sessionQuestion(body), limits)) };
  },
);
