import "server-only";
import { asc, ne } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { INSPECTION_VERDICTS, type InspectionVerdict, greatestRunout, judgeInspection } from "@/core/care/inspection";
import type { FileInspection } from "@/core/hallFileParts";
import { isHallDay } from "@/core/units/hallDay";
import { bars, inspections } from "@/data/schema";
import type { Context } from "@/server/access";
import { factProblems } from "@/server/care/inspections";
import { storedCareRules } from "@/server/care/planning";
import { barsByTag, namesById, withTag } from "@/server/kit";
import { diffList } from "../listPart";
import type { FilePart } from "../part";

/**
 * Every inspection of a bar that is not retired, oldest first. They are history: the state of a bar travels with the
 * bar, so none of them quarantines anything again.
 */
export const inspectionsPart: FilePart<"inspections"> = {
  key: "inspections",
  read,
  diff: async (context, incoming, { familyOf }) => {
    const { hall, actor, clock } = context;
    const { limits } = await storedCareRules(hall);
    const people = new Map([...(await namesById(hall))].map(([id, name]) => [name, id]));
    const there = new Map((await read(context)).map((one) => [keyOf(one), one.tag]));
    const items = new Map(incoming.map((item) => [keyOf(item), item]));
    return diffList<FileInspection, string>({
      name: "inspection",
      incoming,
      there,
      read: (item) => ({
        problems: [
          ...(familyOf.has(item.tag) ? [] : [{ path: "tag", message: `there is no bar ${item.tag}` }]),
          ...(!isHallDay(item.on)
            ? [{ path: "on", message: `“${item.on}” is no day: write YYYY-MM-DD` }]
            : item.on > clock.today
              ? [{ path: "on", message: `${item.on} has not come yet` }]
              : []),
          ...(INSPECTION_VERDICTS.some((one) => one === item.decided)
            ? []
            : [{ path: "decided", message: `“${item.decided}” is none of ${INSPECTION_VERDICTS.join(", ")}` }]),
          ...factProblems(item.facts),
        ],
        key: keyOf(item),
        tag: item.tag,
        value: item.tag,
      }),
      write: async (fresh) => {
        const byTag = await barsByTag(
          hall,
          fresh.map(({ tag }) => tag),
        );
        await hall.insertMany(
          inspections,
          fresh.map(({ key }) => {
            const { tag, on, by, facts, decided, reason } = items.get(key)!;
            const runout = greatestRunout(facts);
            const suggested = judgeInspection(facts, limits).verdict;
            return {
              id: randomUUID(),
              barId: byTag.get(tag)!.id,
              personId: (by === null ? undefined : people.get(by)) ?? actor.personId,
              inspectedOn: on,
              facts,
              tirMm: runout?.tirMm ?? null,
              bendAtDeg: runout?.bendAtDeg ?? null,
              suggested,
              // One of the verdicts: anything else was a problem above.
              decided: decided as InspectionVerdict,
              reason: reason ?? (decided === suggested ? null : "as decided where it comes from"),
              enteredAt: clock.now(),
            };
          }),
        );
      },
    });
  },
};

async function read({ hall }: Context): Promise<FileInspection[]> {
  const [rows, names] = [
    await hall.rowsWith(
      inspections,
      { bar: withTag(inspections.barId) },
      {
        where: ne(bars.state, "retired"),
        orderBy: [asc(inspections.inspectedOn), asc(inspections.enteredAt)],
      },
    ),
    await namesById(hall),
  ];
  const all = rows.flatMap(({ row: { inspectedOn, personId, facts, decided, reason }, bar }): FileInspection[] =>
    bar ? [{ tag: bar.tag, on: inspectedOn, by: names.get(personId) ?? null, facts, decided, reason }] : [],
  );
  return [...new Map(all.map((one) => [keyOf(one), one]))].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, one]) => one);
}

/** Two inspections of a bar on one day that found the same are the same. */
const keyOf = ({ tag, on, facts }: FileInspection) =>
  JSON.stringify([on, tag, Object.entries(facts).sort(([a], [b]) => (a < b ? -1 : 1))]);
