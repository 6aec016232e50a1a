import { ROUTES } from "@/api/routes";
import { answerSessionPlan, sessionPlanProblems, type SessionPlanRequest } from "@/api/sessionPlan";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, SessionPlanRequest>(
  ROUTES.sessionPlan,
  ({ body }) => {
    const problems = sessionPlanProblems(body);
    if (problems.length > 0)
      return refuse("bad-request", "The plates on the bar and the plates do not agree.", problems);
    return { body: answerSessionPlan(body) };
  },
);
