import "server-only";
import type Joi from "joi";
import { checked, ERROR_STATUS, errorBody, type ErrorCode, type Problem } from "@/api/problems";
import type { RouteSpec } from "@/api/routes";
import { isUnavailable, log, may, Nobody, requestContextOf, secondsToWait, type Context } from "@/server/access";
import { MAX_FILE_BYTES } from "./readFile";
import { TooBusy, TookTooLong } from "@/server/computing";
import { type Failed, forbidden } from "@/server/kit";

/** Bodies of computing routes are at most this long, unless they say otherwise. */
const MAX_BYTES = 256 * 1024;

export interface Asked<Query, Body> {
  context: Context;
  query: Query;
  body: Body;
  params: Record<string, string>;
}

/** What a route's own work answers: a body, or a refusal. */
export type Answer = { body: unknown } | { text: string; type: "text/csv" | "text/calendar" } | Refusal;
export interface Refusal {
  code: ErrorCode;
  message: string;
  details?: readonly Problem[];
}

export const refuse = (code: ErrorCode, message: string, details: readonly Problem[] = []): Refusal => ({
  code,
  message,
  details,
});

/** A refusal of a server module as the interface says it. */
export function refusalOf({ code, message, problems }: Failed): Refusal {
  const codes = {
    invalid: "bad-request",
    forbidden: "forbidden",
    "not-found": "not-found",
    stale: "conflict",
    impossible: "impossible",
  } as const;
  return refuse(codes[code], message, problems);
}

type RouteHandler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;

/**
 * The handlers of one path: its own method does the work, every other answers 405. Whatever goes wrong is answered
 * as JSON of the one error shape; our own mistakes are logged and answered without their inside.
 */
export function endpoint<Query = unknown, Body = unknown>(
  {
    method,
    query: querySchema,
    body: bodySchema,
    maxBytes = MAX_BYTES,
    longestList,
    consumes,
    scope = "read",
  }: RouteSpec,
  work: (asked: Asked<Query, Body>) => Promise<Answer> | Answer,
  { needs }: { needs?: Need } = {},
): Record<"GET" | "HEAD" | "POST" | "PUT" | "PATCH" | "DELETE", RouteHandler> {
  const handle: RouteHandler = async (request, { params }) => {
    let context: Context | undefined;
    try {
      // Who is asking comes before a byte of the body is read.
      context = await requestContextOf(request);
      const seconds = secondsToWait(context.asker, context.clock.now().getTime());
      if (seconds !== null)
        return answer(refuse("too-many-requests", "That is more than 3000 requests in a minute."), {
          "Retry-After": String(seconds),
        });
      if (context.door.kind === "token" && !context.door.scopes.includes(scope))
        return answer(refuse("forbidden", `This token may not ${scope}; make one with the scope “${scope}”.`));
      if (needs && !may(context, needs.action)) return answer(refusalOf(forbidden(needs.words)));
      const query = checkedQuery(request, querySchema);
      if (!query.ok) return answer(query.refusal);
      const body = consumes
        ? await fileBody(request, consumes)
        : bodySchema
          ? await checkedBody(request, bodySchema, maxBytes, longestList)
          : { ok: true as const, value: undefined };
      if (!body.ok) return answer(body.refusal);
      return answer(
        await work({ context, query: query.value as Query, body: body.value as Body, params: await params }),
      );
    } catch (error) {
      return failure(error, context);
    }
  };
  const wrongMethod: RouteHandler = (request) =>
    ifSomebody(request, () =>
      answer(refuse("method-not-allowed", `${request.method} is not possible here; use ${method}.`), {
        Allow: method === "GET" ? "GET, HEAD" : method,
      }),
    );
  const get = method === "GET" ? handle : wrongMethod;
  return {
    GET: get,
    HEAD: get,
    POST: method === "POST" ? handle : wrongMethod,
    PUT: wrongMethod,
    PATCH: wrongMethod,
    DELETE: wrongMethod,
  };
}

/** Answers somebody; nobody learns not even which paths there are. */
export async function ifSomebody(request: Request, say: () => Response): Promise<Response> {
  try {
    await requestContextOf(request);
    return say();
  } catch (error) {
    return failure(error, undefined);
  }
}

/** What is answered when something broke on our side: logged without its inside, and told without it. */
export function failure(error: unknown, context: Pick<Context, "log" | "signal"> | undefined): Response {
  if (error instanceof Nobody)
    return answer(refuse("unauthorized", "Sign in, or send a token: Authorization: Bearer TOKEN."), {
      "WWW-Authenticate": 'Bearer realm="Garrison"',
    });
  if (isUnavailable(error)) {
    context?.log.warn({ err: error }, "database unavailable");
    return answer(refuse("unavailable", "The database is busy. Try again in a few seconds."), { "Retry-After": "5" });
  }
  if (error instanceof TooBusy)
    return answer(refuse("too-many-requests", "Too much is being computed at once. Try again in a moment."), {
      "Retry-After": String(error.retryAfterSeconds),
    });
  if (error instanceof TookTooLong)
    return answer(refuse("impossible", "This would take too long to work out. Ask with fewer plates or sets."));
  // Nobody waits for this answer any more; what it was is not our mistake.
  if (context?.signal.aborted) return answer(refuse("unavailable", "The request was given up."));
  (context?.log ?? log()).error({ err: error }, "request failed");
  return answer(refuse("internal", "Something went wrong on our side."));
}

/** Every answer of the interface: JSON, never cached. */
export function answer(result: Answer, headers: Record<string, string> = {}): Response {
  const isRefused = "code" in result;
  if ("text" in result)
    return new Response(result.text, {
      headers: { "Content-Type": `${result.type}; charset=utf-8`, "Cache-Control": "no-store", ...headers },
    });
  return Response.json(isRefused ? errorBody(result.code, result.message, result.details) : result.body, {
    status: isRefused ? ERROR_STATUS[result.code] : 200,
    headers: { "Cache-Control": "no-store", ...headers },
  });
}

type Checked = { ok: true; value: unknown } | { ok: false; refusal: Refusal };

const badInput = (details: Problem[]): Checked => ({
  ok: false,
  refusal: refuse(
    "bad-request",
    details.length === 1 ? "One thing in the request is wrong." : `${details.length} things in the request are wrong.`,
    details,
  ),
});

function checkedQuery(request: Request, schema: Joi.ObjectSchema | undefined): Checked {
  const given = new URL(request.url).searchParams;
  const doubled = [...new Set(given.keys())].filter((key) => given.getAll(key).length > 1);
  if (doubled.length > 0)
    return badInput(doubled.map((path) => ({ path, message: `${path} is given more than once` })));
  if (!schema)
    return given.size === 0
      ? { ok: true, value: {} }
      : badInput([...given.keys()].map((path) => ({ path, message: `${path} is not allowed` })));
  const result = checked(schema, Object.fromEntries(given), { convert: true });
  return result.ok ? result : badInput(result.problems);
}

/** A file that came as the body. */
export interface FileBody {
  type: string;
  bytes: Uint8Array;
}

/** What somebody must be allowed to before a byte of the body is read. */
interface Need {
  action: Parameters<typeof may>[1];
  /** For the sentence of the refusal. */
  words: string;
}

async function fileBody(request: Request, consumes: readonly string[]): Promise<Checked> {
  const type = (request.headers.get("content-type") ?? "").split(";")[0]!.trim().toLowerCase();
  if (!consumes.includes(type))
    return {
      ok: false,
      refusal: refuse("unsupported-media-type", `Send the file as ${consumes.join(" or ")} in UTF-8.`),
    };
  const read = await bytesUpTo(request, MAX_FILE_BYTES, "The file is longer than 64 MiB.");
  return read.ok ? { ok: true, value: { type, bytes: read.value } } : read;
}

async function checkedBody(
  request: Request,
  schema: Joi.ObjectSchema,
  maxBytes: number,
  longestList?: number,
): Promise<Checked> {
  const type = request.headers.get("content-type") ?? "";
  if (!/^application\/json\s*(;\s*charset="?utf-8"?\s*)?$/i.test(type))
    return { ok: false, refusal: refuse("unsupported-media-type", "Send the body as application/json in UTF-8.") };
  const read = await bytesUpTo(request, maxBytes, `The body is longer than ${maxBytes / 1024} KiB.`);
  if (!read.ok) return read;
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(read.value));
  } catch {
    return badInput([{ path: "", message: "the body is not JSON" }]);
  }
  const result = checked(schema, value, longestList === undefined ? {} : { longestList });
  return result.ok ? result : badInput(result.problems);
}

/** The body, or a refusal as soon as it is longer than allowed, or when less of it arrived than was said. */
export async function bytesUpTo(
  request: Request,
  most: number,
  tooLong: string,
): Promise<{ ok: true; value: Uint8Array } | { ok: false; refusal: Refusal }> {
  const tooLarge = { ok: false as const, refusal: refuse("too-large", tooLong) };
  const said = Number(request.headers.get("content-length") ?? NaN);
  if (said > most) return tooLarge;
  const chunks: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    length += chunk.byteLength;
    if (length > most) return tooLarge;
    chunks.push(chunk);
  }
  if (length < said)
    return {
      ok: false,
      refusal: refuse("bad-request", `Only ${length} of ${said} bytes arrived. Send it once more.`),
    };
  return { ok: true, value: Buffer.concat(chunks) };
}
