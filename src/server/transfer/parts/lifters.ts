import "server-only";
import { eq } from "drizzle-orm";
import type { FileLifter } from "@/core/hallFileParts";
import { HINGE_ON_STRAIGHT } from "@/core/matching/factors/person";
import { lifters } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { lifterKind, lifterTexts, listLifters, rulesKnown } from "@/server/lifters";
import { allLifts } from "@/server/lifts";
import { NOTHING, prepareRows } from "../listPart";
import type { PreparedPart } from "../part";

/** Every lifter as files carry them; null for whoever may not read any. Whoever was erased is in no file. */
export async function exportLifters(context: Context): Promise<FileLifter[] | null> {
  if (!may(context, "lifter.read")) return null;
  return (await listLifters(context))
    .toSorted((a, b) => (a.key < b.key ? -1 : 1))
    .map((row) => ({ texts: lifterTexts(row), ...(row.confirmed?.length ? { confirmed: row.confirmed } : {}) }));
}

/** Reads lifters of a file against the hall's. Lifts and rules that the same file brings are known. */
export async function prepareLifters(
  context: Context,
  incoming: readonly FileLifter[],
  { lifts, rules }: { lifts: readonly string[]; rules: readonly string[] },
): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const liftKeys = [...(await allLifts(context)).map(({ key }) => key), ...lifts];
  const kind = lifterKind(liftKeys, [...(await rulesKnown(context)), ...rules]);
  return prepareRows(context, kind, {
    rows: await hall.rows(lifters),
    incoming,
    more: ({ confirmed = [] }, row) => {
      const kept = confirmed.filter((key) => key === HINGE_ON_STRAIGHT || liftKeys.includes(key));
      const isSame = kept.join() === (row?.confirmed ?? []).join();
      return {
        problems: confirmed
          .filter((key) => !kept.includes(key))
          .map((key) => ({ path: "confirmed", message: `${key} is nothing that is confirmed` })),
        words: isSame ? [] : ["confirmed"],
        write: async (id) => {
          if (!isSame) await hall.update(lifters, eq(lifters.id, id), { confirmed: kept });
        },
      };
    },
  });
}
