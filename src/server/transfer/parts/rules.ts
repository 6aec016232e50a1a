import "server-only";
import { asc } from "drizzle-orm";
import { isDeepStrictEqual } from "node:util";
import { QUANTITY_KINDS } from "@/core/bars/quantities";
import { tolerancesFrom } from "@/core/bars/tolerances";
import type { FileRule } from "@/core/hallFileParts";
import { MATCHING_RULES, RULE_NUMBERS, RULE_NUMBER_KEYS, type RuleNumber, rulesFrom } from "@/core/matching/houseRules";
import type { Problem } from "@/core/problem";
import { houseRules } from "@/data/schema";
import type { Context } from "@/server/access";
import { CARE_KEY, careRulesFrom } from "@/server/care/planning";
import { recordChange } from "@/server/kit";
import { MATCHING_KEY, MEASURING_KEY } from "@/server/rules";
import { diffList } from "../listPart";
import { type FilePart, FROM_A_FILE } from "../part";

/** What the house decided; a value that the program would not understand is a problem at its place. */
export const rulesPart: FilePart<"rules"> = {
  key: "rules",
  read,
  diff: async (context, incoming) => {
    const { hall, actor } = context;
    const rows = new Map((await hall.rows(houseRules)).map((row) => [row.key, row]));
    return diffList<FileRule, Record<string, unknown>>({
      name: "rule",
      incoming,
      there: new Map((await read(context)).map(({ key, value }) => [key, value])),
      read: ({ key, value }) => {
        const understood = UNDERSTOOD[key]?.(value);
        const problems = understood
          ? [...unlike(value, understood), ...(key === MATCHING_KEY ? outOfRange(value) : [])]
          : [{ path: "key", message: `“${key}” is none of ${Object.keys(UNDERSTOOD).join(", ")}` }];
        return { problems, key, tag: key, value: understood ?? value };
      },
      write: async (items) => {
        for (const { key, value } of items) {
          const row = rows.get(key);
          const version = (row?.version ?? 0) + 1;
          await hall.put(houseRules, [houseRules.hallId, houseRules.key], { key, value, version });
          await recordChange(context, {
            entity: "rule",
            entityId: actor.hallId,
            action: `changed the rules for ${key}`,
            before: row?.value,
            after: value,
            reason: FROM_A_FILE,
          });
        }
      },
    });
  },
};

async function read({ hall }: Context): Promise<FileRule[]> {
  const rows = await hall.rows(houseRules, { orderBy: [asc(houseRules.key)] });
  return rows.flatMap(({ key, value }) => {
    const understood = UNDERSTOOD[key];
    return understood ? [{ key, value: understood(value as Record<string, unknown>) }] : [];
  });
}

/** What is understood of a rule's value: the same way as the program reads what it stored. */
const UNDERSTOOD: Record<string, (value: Record<string, unknown>) => Record<string, unknown>> = {
  [MATCHING_KEY]: (value) => {
    const { policies, ...numbers } = rulesFrom(value);
    // In files the policies are called what they have been called from the first version on.
    return { ...numbers, schools: policies };
  },
  [MEASURING_KEY]: ({ tolerances, noticeableMm }) => {
    const kept = tolerancesFrom(tolerances);
    return {
      tolerances: Object.fromEntries(
        QUANTITY_KINDS.flatMap((kind) => (kept[kind] === null ? [] : [[kind, kept[kind]]])),
      ),
      noticeableMm: typeof noticeableMm === "number" && noticeableMm > 0 && noticeableMm <= 50 ? noticeableMm : null,
    };
  },
  [CARE_KEY]: (value) => ({ ...careRulesFrom(value) }),
};

/** Where a value is not what was understood of it. */
function unlike(said: unknown, understood: unknown, path = "value"): Problem[] {
  if (isPlain(said) && isPlain(understood))
    return Object.keys(said).flatMap((key) =>
      unlike(said[key], Object.hasOwn(understood, key) ? understood[key] : undefined, `${path}.${key}`),
    );
  return isDeepStrictEqual(said, understood) ? [] : [{ path, message: "is not understood" }];
}

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

function outOfRange(value: Record<string, unknown>): Problem[] {
  return RULE_NUMBER_KEYS.filter((key) => Object.hasOwn(value, key)).flatMap((key: RuleNumber) => {
    const { range, factor } = RULE_NUMBERS[key];
    const number = Number(value[key]) * factor;
    // What a house starts with is in range whatever rounding says.
    const isFine = value[key] === MATCHING_RULES[key] || (number >= range[0] && number <= range[1]);
    return isFine ? [] : [{ path: `value.${key}`, message: `must lie between ${range[0]} and ${range[1]}` }];
  });
}
