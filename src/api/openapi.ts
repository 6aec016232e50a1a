import { version } from "../../package.json";
import parse from "joi-to-json";
import type Joi from "joi";
import { ERROR_STATUS } from "./problems";
import { ROUTES, type RouteSpec } from "./routes";

type Json = Record<string, unknown>;

const REFUSAL_TEXT: Record<number, string> = {
  400: "Bad input; every problem is listed",
  401: "Nobody: sign in, or send a token that works",
  403: "Your role or your token may not do this",
  404: "There is no such thing",
  405: "The path exists, the method does not",
  409: "Something changed meanwhile; nothing was done",
  413: "The body is too long: over 256 KiB, of /strength and /purchase 2 MiB",
  415: "The body is not JSON",
  422: "Understood, but it cannot be done",
  429: "Too much at once; try again after the seconds of Retry-After",
  500: "Our mistake",
  503: "The database is busy; try again after the seconds of Retry-After",
};

/** The description of /api/v1 in OpenAPI 3.1, made of the very schemas that check requests. */
export function openApiDocument(): Json {
  const paths: Record<string, Json> = {};
  for (const route of Object.values(ROUTES) as RouteSpec[])
    paths[route.path] = { ...paths[route.path], [route.method.toLowerCase()]: operation(route) };
  return {
    openapi: "3.1.0",
    info: {
      title: "Garrison",
      version,
      description:
        "Units are in the names: Kg, Mm, Nm, MPa, GPa, Deg, Hz, Minutes. Days are days of the hall. A field is never renamed or dropped within v1, only added.",
    },
    servers: [{ url: "/api/v1" }],
    paths,
    components: {
      schemas: { Error: ERROR_SCHEMA },
      securitySchemes: {
        token: {
          type: "http",
          scheme: "bearer",
          description:
            "Made by a manager in Settings, People and devices. Scopes: read (looking and computing), write (import), health (what hurts whom, in exports that ask for it). A token that is not good is nobody, whatever cookie comes with it.",
        },
        session: { type: "apiKey", in: "cookie", name: "garrison" },
      },
    },
    security: [{ token: [] }, { session: [] }],
  };
}

const ERROR_SCHEMA: Json = {
  type: "object",
  required: ["error"],
  additionalProperties: false,
  properties: {
    error: {
      type: "object",
      required: ["code", "message", "details"],
      additionalProperties: false,
      properties: {
        code: { type: "string", enum: Object.keys(ERROR_STATUS) },
        message: { type: "string" },
        details: {
          type: "array",
          items: {
            type: "object",
            required: ["path", "message"],
            additionalProperties: false,
            properties: { path: { type: "string" }, message: { type: "string" } },
          },
        },
      },
    },
  },
};

function operation({ path, summary, query, body, answer, produces, consumes, refusals }: RouteSpec): Json {
  const json = (schema: Json) => ({ content: { "application/json": { schema } } });
  const done = produces
    ? { content: { [produces]: { schema: { type: "string" } } } }
    : json(answer ? schemaOf(answer) : { type: "object" });
  const responses: Json = { 200: { description: "Done", ...done } };
  for (const status of [400, 401, 405, 429, 500, 503, ...refusals].sort())
    responses[status] = { description: REFUSAL_TEXT[status], ...json({ $ref: "#/components/schemas/Error" }) };
  return {
    summary,
    parameters: [...pathParameters(path), ...(query ? queryParameters(query) : [])],
    ...(body ? { requestBody: { required: true, ...json(schemaOf(body)) } } : {}),
    ...(consumes
      ? {
          requestBody: {
            required: true,
            content: Object.fromEntries(
              consumes.map((type) => [type, { schema: { type: type === "text/csv" ? "string" : "object" } }]),
            ),
          },
        }
      : {}),
    responses,
  };
}

function pathParameters(path: string): Json[] {
  return [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: "path",
    required: true,
    schema: { type: "string" },
  }));
}

function queryParameters(query: Joi.ObjectSchema): Json[] {
  const { properties = {}, required = [] } = schemaOf(query) as {
    properties?: Record<string, Json>;
    required?: string[];
  };
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    in: "query",
    required: required.includes(name),
    schema,
  }));
}

function schemaOf(schema: Joi.Schema): Json {
  return parse(schema, "open-api-3.1") as Json;
}
