import "server-only";
import type Joi from "joi";
import { checked, ERROR_STATUS, errorBody } from "@/api/problems";
import type { Outcome } from "@/server/kit";
import { type Context, requestContextOf } from "@/server/access";
import { failure, refusalOf } from "./endpoint";

const NO_STORE = { "cache-control": "no-store" };

/** Answers a write of a floor screen: what it did, or why not, in the one error shape; never a half of it. */
export async function touched<T>(
  request: Request,
  schema: Joi.Schema<T>,
  work: (context: Context, sent: T) => Promise<Outcome<Record<string, unknown>>>,
): Promise<Response> {
  let context: Context | undefined;
  try {
    context = await requestContextOf(request);
    if (!isJson(request))
      return Response.json(errorBody("unsupported-media-type", "Send the touch as application/json."), {
        status: 415,
        headers: NO_STORE,
      });
    const result = checked(schema, await request.json().catch(() => null));
    if (!result.ok)
      return Response.json(errorBody("bad-request", "The touch could not be understood.", result.problems), {
        status: 400,
        headers: NO_STORE,
      });
    return answered(await work(context, result.value));
  } catch (error) {
    return failure(error, context);
  }
}

/** A form of another site's page cannot say that it sends JSON. */
const isJson = (request: Request) => /^application\/json\s*(;|$)/i.test(request.headers.get("content-type") ?? "");

/** An outcome as JSON, with the status of its refusal. */
export function answered(outcome: Outcome<Record<string, unknown>>): Response {
  if (outcome.ok) return Response.json(outcome, { headers: NO_STORE });
  const { code, message, details } = refusalOf(outcome);
  return Response.json(errorBody(code, message, details), { status: ERROR_STATUS[code], headers: NO_STORE });
}
