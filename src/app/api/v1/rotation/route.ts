import { answerRotation, rotationProblems, rotationQuestion, type RotationRequest } from "@/api/rotation";
import { ROUTES } from "@/api/routes";
import { AT_ONCE_OF_INTERFACE, compute } from "@/server/computing";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, RotationRequest>(
  ROUTES.rotation,
  async ({ context, body }) => {
    const problems = rotationProblems(body);
    if (problems.length > 0)
      return refuse("bad-request", "Weeks, bars and lifters do not agree with each other.", problems);
    const limits = { ms: body.deadlineMs, atOnce: AT_ONCE_OF_INTERFACE };
    const { plan, problems: against } = await compute(context, "rotation", rotationQuestion(body), limits);
    if (typeof plan !== "string") return { body: answerRotation(body, plan) };
    return plan === "none"
      ? refuse("impossible", "No plan keeps all of this.", against)
      : refuse("impossible", "No plan was found in the time; allow more, or less that binds it.", against);
  },
);
