import { answerLoad, loadProblems, type LoadRequest } from "@/api/load";
import { ROUTES } from "@/api/routes";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, LoadRequest>(ROUTES.load, ({ body }) => {
  const problems = loadProblems(body);
  if (problems.length > 0) return refuse("bad-request", "The plates on the bar and the plates do not agree.", problems);
  const result = answerLoad(body);
  return result.ok ? { body: result.body } : refuse("impossible", result.message);
});
