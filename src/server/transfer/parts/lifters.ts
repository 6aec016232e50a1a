import "server-only";
import { eq } from "drizzle-orm";
import { HINGE_ON_STRAIGHT } from "@/core/matching/factors/person";
import { lifters } from "@/data/schema";
import { may } from "@/server/access";
import { lifterKind, lifterTexts, listLifters } from "@/server/lifters";
import { diffRows } from "../listPart";
import type { FilePart } from "../part";

/** What hurts whom goes out only where it was asked for. */
const HEALTH_FIELDS = ["limits", "comfortNote", "coachNote"];
const withoutHealth = (texts: Record<string, string>) =>
  Object.fromEntries(Object.entries(texts).filter(([key]) => !HEALTH_FIELDS.includes(key)));

/** Lifters by short name, for those who may read them; somebody who was erased is in no file. */
export const liftersPart: FilePart<"lifters"> = {
  key: "lifters",
  read: async (context, { health }) => {
    if (!may(context, "lifter.read")) return null;
    return (await listLifters(context))
      .toSorted((a, b) => (a.key < b.key ? -1 : 1))
      .map((row) => ({
        texts: health ? lifterTexts(row) : withoutHealth(lifterTexts(row)),
        ...(row.confirmed?.length ? { confirmed: row.confirmed } : {}),
      }));
  },
  diff: async (context, incoming, { lifts, rules }) =>
    diffRows(context, lifterKind([...lifts], [...rules]), {
      rows: await context.hall.rows(lifters),
      incoming,
      more: ({ confirmed = [] }, row) => {
        const kept = confirmed.filter((key) => key === HINGE_ON_STRAIGHT || lifts.has(key));
        const isSame = kept.join() === (row?.confirmed ?? []).join();
        return {
          problems: confirmed
            .filter((key) => !kept.includes(key))
            .map((key) => ({ path: "confirmed", message: `${key} is nothing that is confirmed` })),
          words: isSame ? [] : ["confirmed"],
          write: async (id) => {
            await context.hall.update(lifters, eq(lifters.id, id), { confirmed: kept });
          },
        };
      },
    }),
};
