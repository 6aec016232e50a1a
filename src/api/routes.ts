import Joi from "joi";
import { PURPOSES } from "@/core/matching/lifter";
import { balanceAnswer, balanceRequest } from "./balance";
import { hallDay, id, listOf, loadKg, paging } from "./fields";
import { hallFile, importAnswer, importToken } from "./hallFile";
import { corrosionAnswer, corrosionRequest } from "./corrosion";
import { lifterItem } from "./lifters";
import { barBody, barItem, dueItem, liftItem, matchAnswer, plateItem, stationItem } from "./lists";
import { loadAnswer, loadRequest } from "./load";
import { logItem } from "./log";
import { offerItem } from "./offers";
import { MAX_NEEDS, purchaseAnswer, purchaseRequest } from "./purchase";
import { rotationAnswer, rotationRequest } from "./rotation";
import { sessionPlanAnswer, sessionPlanRequest } from "./sessionPlan";
import { MAX_SETS, strengthAnswer, strengthRequest } from "./strength";
import { tippingAnswer, tippingRequest } from "./tipping";
import { whipAnswer, whipRequest } from "./whip";

/** One route of the public interface: what it takes, what it answers, how it can refuse. */
export interface RouteSpec {
  method: "GET" | "POST";
  /** Path below /api/v1, parameters in braces. */
  path: string;
  summary: string;
  query?: Joi.ObjectSchema;
  body?: Joi.ObjectSchema;
  /** How long that may be; 256 KiB when left out. */
  maxBytes?: number;
  /** How long its longest list may be; 200 when left out. */
  longestList?: number;
  answer?: Joi.Schema;
  /** What it answers when that is not JSON. */
  produces?: "text/csv" | "text/calendar";
  /** Bodies it takes when not only JSON checked by `body`; the route reads them itself. */
  consumes?: readonly ("application/json" | "text/csv")[];
  /** What a token must be allowed to; to read when it is left out. */
  scope?: "read" | "write";
  /** Statuses beyond 200, 400, 401, 405 and 500, which any route may give. */
  refusals: readonly (403 | 404 | 409 | 413 | 415 | 422)[];
}

const computing = [413, 415, 422] as const;

const day = hallDay().description("YYYY-MM-DD, day of the hall; today when left out");

/** The routes of /api/v1. The openapi description is made of this, and tests hold the route files to it. */
export const ROUTES = {
  whip: {
    method: "POST",
    path: "/whip",
    summary: "How a loaded bar bends, by the closed form",
    body: whipRequest,
    answer: whipAnswer,
    refusals: computing,
  },
  load: {
    method: "POST",
    path: "/load",
    summary: "Which plates make a load, exactly",
    body: loadRequest,
    answer: loadAnswer,
    refusals: computing,
  },
  sessionPlan: {
    method: "POST",
    path: "/session-plan",
    summary: "Plates and their order for every set of a session, so that fewest are handled",
    body: sessionPlanRequest,
    answer: sessionPlanAnswer,
    refusals: computing,
  },
  tipping: {
    method: "POST",
    path: "/tipping",
    summary: "Whether a bar on a rack turns over, and in which order it is unloaded safely",
    body: tippingRequest,
    answer: tippingAnswer,
    refusals: computing,
  },
  balance: {
    method: "POST",
    path: "/balance",
    summary: "Lifter, bar and load over the feet, from the side: trunk lean, moments, roll torque",
    body: balanceRequest,
    answer: balanceAnswer,
    refusals: computing,
  },
  corrosion: {
    method: "POST",
    path: "/corrosion",
    summary: "How fast steel rusts in such air (ISO 9223), and its dew point",
    body: corrosionRequest,
    answer: corrosionAnswer,
    refusals: computing,
  },
  strength: {
    method: "POST",
    path: "/strength",
    summary:
      "What a log says of a lifter's strength in one lift, of what each bar is worth to them, and of loads to expect",
    body: strengthRequest,
    maxBytes: 2 * 1024 * 1024,
    longestList: MAX_SETS,
    answer: strengthAnswer,
    refusals: computing,
  },
  rotation: {
    method: "POST",
    path: "/rotation",
    summary: "Which bar each lifter trains with in which week",
    body: rotationRequest,
    answer: rotationAnswer,
    refusals: computing,
  },
  purchase: {
    method: "POST",
    path: "/purchase",
    summary:
      "Which offers within a budget gain most, proven or with a bound, and what a little more money would change",
    body: purchaseRequest,
    maxBytes: 2 * 1024 * 1024,
    longestList: MAX_NEEDS,
    answer: purchaseAnswer,
    refusals: computing,
  },
  bars: {
    method: "GET",
    path: "/bars",
    summary: "The bars of the hall, by tag",
    query: Joi.object(paging),
    answer: listOf(barItem),
    refusals: [],
  },
  bar: {
    method: "GET",
    path: "/bars/{tag}",
    summary: "One bar",
    query: Joi.object({}),
    answer: barBody,
    refusals: [404],
  },
  plates: {
    method: "GET",
    path: "/plates",
    summary: "The plates of the hall, heaviest first",
    query: Joi.object(paging),
    answer: listOf(plateItem),
    refusals: [],
  },
  stations: {
    method: "GET",
    path: "/stations",
    summary: "The stations of the hall",
    query: Joi.object(paging),
    answer: listOf(stationItem),
    refusals: [],
  },
  lifts: {
    method: "GET",
    path: "/lifts",
    summary: "The lifts of the hall",
    query: Joi.object(paging),
    answer: listOf(liftItem),
    refusals: [],
  },
  lifters: {
    method: "GET",
    path: "/lifters",
    summary: "The lifters of the hall, by name; for coach and manager only",
    query: Joi.object(paging),
    answer: listOf(lifterItem),
    refusals: [403],
  },
  log: {
    method: "GET",
    path: "/log",
    summary: "Sets that were lifted, newest first; for coach and manager only",
    query: Joi.object(paging),
    answer: listOf(logItem),
    refusals: [403],
  },
  offers: {
    method: "GET",
    path: "/offers",
    summary: "Bars that might be bought, by number; prices and sellers for managers only",
    query: Joi.object(paging),
    answer: listOf(offerItem),
    refusals: [403],
  },
  match: {
    method: "GET",
    path: "/match",
    summary: "Which bars suit a lift and a load, best first",
    query: Joi.object({
      lift: id().required(),
      loadKg: loadKg().required().description("total on the bar"),
      lifter: id().description("for coach and manager only"),
      purpose: Joi.string()
        .valid(...PURPOSES)
        .description("what the set is for; general when left out"),
    }),
    answer: matchAnswer,
    refusals: [403, 404],
  },
  careDue: {
    method: "GET",
    path: "/care/due",
    summary: "Care due on or before a day, longest overdue first",
    query: Joi.object({ on: day, ...paging }),
    answer: listOf(dueItem),
    refusals: [],
  },
  careIcs: {
    method: "GET",
    path: "/care.ics",
    summary:
      "Planned rounds of care and the crew's hours as iCalendar; a secret address without a header is made in the app",
    query: Joi.object({}),
    produces: "text/calendar",
    refusals: [],
  },
  barsCsv: {
    method: "GET",
    path: "/bars.csv",
    summary: "The bars of the hall as CSV, which /import takes",
    query: Joi.object({}),
    produces: "text/csv",
    refusals: [403],
  },
  platesCsv: {
    method: "GET",
    path: "/plates.csv",
    summary: "The plates of the hall as CSV",
    query: Joi.object({}),
    produces: "text/csv",
    refusals: [403],
  },
  exportJson: {
    method: "GET",
    path: "/export.json",
    summary:
      "The bars of the hall with all their measurements, its equipment, lifts, competition rules, lifters and their settings (for those who may read them), charts, inspections, care tasks, care log, house rules and air, which /import takes",
    query: Joi.object({
      health: Joi.boolean()
        .default(false)
        .description(
          "with what hurts whom, in their words and a coach's; needs the right to it, and of a token the scope health",
        ),
    }),
    answer: hallFile,
    refusals: [403],
  },
  import: {
    method: "POST",
    path: "/import",
    summary: "Takes bars in, all or none: JSON as exported, or CSV. The same file once more changes nothing",
    query: Joi.object({
      dryRun: Joi.boolean().default(false).description("answer what would change, and change nothing"),
      token: importToken.description("from a dry run of the same file: do just what it said, or answer 409"),
    }),
    scope: "write",
    consumes: ["application/json", "text/csv"],
    answer: importAnswer,
    refusals: [403, 409, 413, 415],
  },
  openapi: { method: "GET", path: "/openapi.json", summary: "This description", query: Joi.object({}), refusals: [] },
} as const satisfies Record<string, RouteSpec>;
