import type Joi from "joi";

/** One problem of a request, e.g. { path: "perSide.2.massKg", message: "massKg must be a number" }. */
export interface Problem {
  path: string;
  message: string;
}

export const ERROR_STATUS = {
  "bad-request": 400,
  unauthorized: 401,
  forbidden: 403,
  "not-found": 404,
  "method-not-allowed": 405,
  conflict: 409,
  "too-large": 413,
  "unsupported-media-type": 415,
  impossible: 422,
  "too-many-requests": 429,
  internal: 500,
  unavailable: 503,
} as const;

export type ErrorCode = keyof typeof ERROR_STATUS;

/** The one shape of every error. */
export function errorBody(code: ErrorCode, message: string, details: readonly Problem[] = []) {
  return { error: { code, message, details } };
}

/** No list of the interface is longer, files excepted; longer ones are refused before anything looks at their items. */
const LONGEST_LIST = 200;
/** Enough for a person to mend a request; one with more problems is not a slip of the pen. */
const MAX_PROBLEMS = 1000;

/**
 * Checks a value against a schema and answers it with its defaults, or every problem it has.
 * Nothing is converted in a body: a number in quotes is not a number.
 */
export function checked<T>(
  schema: Joi.Schema<T>,
  value: unknown,
  { convert = false, longestList = LONGEST_LIST } = {},
): { ok: true; value: T } | { ok: false; problems: Problem[] } {
  const outsized = outsizedParts(value, longestList);
  if (outsized.length > 0) return { ok: false, problems: outsized };
  const result = schema.validate(value, {
    abortEarly: false,
    convert,
    errors: { label: "key", wrap: { label: false } },
  });
  if (!result.error) return { ok: true, value: result.value };
  const problems = result.error.details
    .slice(0, MAX_PROBLEMS)
    .map(({ path, message }) => ({ path: path.join("."), message: message.replace(/^value /, "the whole ") }));
  return { ok: false, problems };
}

/** Lists that are too long anywhere, and the one field name that a schema does not see. */
function outsizedParts(value: unknown, longestList: number): Problem[] {
  const problems: Problem[] = [];
  const open: { value: unknown; path: string }[] = [{ value, path: "" }];
  while (open.length > 0 && problems.length < MAX_PROBLEMS) {
    const { value: at, path } = open.pop()!;
    if (typeof at !== "object" || at === null) continue;
    const below = (key: string) => (path === "" ? key : `${path}.${key}`);
    if (Array.isArray(at) && at.length > longestList) {
      problems.push({ path, message: `has ${at.length} items; at most ${longestList} are accepted` });
      continue;
    }
    if (Object.hasOwn(at, "__proto__"))
      problems.push({ path: below("__proto__"), message: "__proto__ is not allowed" });
    for (const [key, child] of Object.entries(at)) open.push({ value: child, path: below(key) });
  }
  return problems;
}
