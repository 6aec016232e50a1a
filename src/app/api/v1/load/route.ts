import { answerLoad, loadProblems, loadQuestion, type LoadRequest } from "@/api/load";
import { ROUTES } from "@/api/routes";
import { AT_ONCE_OF_INTERFACE, compute } from "@/server/computing";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, LoadRequest>(
  ROUTES.load,
  async ({ context, body }) => {
    const problems = loadProblems(body);
    if (problems.length > 0)
      return refuse("bad-request", "The plates on the bar and the plates do not agree.", problems);
    const result = answerLoad(
      await compute(context, "loadAndWhy", loadQuestion(body), { atOnce: AT_ONCE_OF_INTERFACE }),
    );
    return result.ok ? { body: result.body } : refuse("impossible", result.message);
  },
);
