import Joi from "joi";
import { isHallDay } from "@/core/units/hallDay";

/** The ranges of the public interface, inclusive. */
export const massKg = () => Joi.number().min(0).max(2000);
/** A load: more than nothing. */
export const loadKg = () => Joi.number().greater(0).max(2000);
/** A plate weighs something: lighter ones would be without number. */
export const plateKg = () => Joi.number().min(0.01).max(2000);
/** How long a planner may take; the best answer so far is given then. */
export const deadlineMs = () => Joi.number().integer().min(100).max(10_000).default(2000);
export const lengthMm = () => Joi.number().min(0).max(10_000);
/** A diameter or a thickness. */
export const thicknessMm = () => Joi.number().min(1).max(10_000);
/** A day that exists. */
export const hallDay = () =>
  Joi.string()
    .custom((value: string, helpers) => (isHallDay(value) ? value : helpers.error("any.custom")))
    .messages({ "any.custom": "{{#label}} must be a day that exists, written YYYY-MM-DD" })
    .description("YYYY-MM-DD");
export const id = () => Joi.string().min(1).max(64);

/** A quantity on a bar; null where nobody knows. */
export const quantity = () =>
  Joi.object({
    value: Joi.number().required(),
    source: Joi.string().valid("measured", "stated").required(),
    statedValue: Joi.number(),
    readings: Joi.array().items(Joi.number()),
  }).allow(null);

/** What every list answers. */
export const listOf = (item: Joi.Schema) =>
  Joi.object({ items: Joi.array().items(item).required(), nextCursor: Joi.string().allow(null).required() });

/** What every list takes. */
export const paging = {
  limit: Joi.number().integer().min(1).max(500).default(100).description("how many items at most"),
  cursor: Joi.string().max(500).description("the nextCursor of the page before"),
};

/** A place in a list, opaque to whoever carries it. */
export function wireCursor(position: string | null): string | null {
  return position === null ? null : Buffer.from(position, "utf8").toString("base64url");
}

/** The parts of a cursor, or null when it is not one of ours: as many parts as checks, each passing its check. */
export function cursorParts(cursor: string, ...checks: ((part: unknown) => boolean)[]): unknown[] | null {
  try {
    const parts: unknown = JSON.parse(Buffer.from(cursor, "base64url").toString("utf8"));
    return Array.isArray(parts) && parts.length === checks.length && checks.every((check, i) => check(parts[i]))
      ? parts
      : null;
  } catch {
    return null;
  }
}

export const isUuid = (part: unknown) =>
  typeof part === "string" && /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(part);
export const isText = (part: unknown) => typeof part === "string" && part.length <= 64 && !part.includes("\0");
export const isWhole = (part: unknown) => Number.isSafeInteger(part);
