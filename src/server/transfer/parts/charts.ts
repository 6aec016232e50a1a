import "server-only";
import { and, inArray, isNotNull, ne } from "drizzle-orm";
import type { FileChart } from "@/core/hallFileParts";
import type { Problem } from "@/core/problem";
import { type SetupChart, chartKindOf, chartTexts, readChart } from "@/core/setups/chartFields";
import { isHallDay } from "@/core/units/hallDay";
import { barSetups, bars } from "@/data/schema";
import type { Context } from "@/server/access";
import { barsByTag, recordChanges, withTag } from "@/server/kit";
import { diffList } from "../listPart";
import { type FilePart, FROM_A_FILE } from "../part";

/** Charts of setups of every bar that is not retired, by tag; one that differs counts as a new calibration. */
export const chartsPart: FilePart<"charts"> = {
  key: "charts",
  read,
  diff: async (context, incoming, { familyOf }) => {
    const there = new Map((await read(context)).map((one) => [one.tag, one]));
    const charts = new Map<string, SetupChart>();
    return diffList<FileChart, FileChart>({
      name: "chart",
      incoming,
      there,
      read: (item) => {
        const family = familyOf.get(item.tag);
        const kind = family && chartKindOf(family);
        const problems: Problem[] = [];
        if (!family) problems.push({ path: "tag", message: `there is no bar ${item.tag}` });
        else if (!kind) problems.push({ path: "tag", message: `${item.tag} has neither marks nor holes to calibrate` });
        if (item.calibratedOn !== null && !isHallDay(item.calibratedOn))
          problems.push({ path: "calibratedOn", message: `“${item.calibratedOn}” is no day: write YYYY-MM-DD` });
        const said = kind ? readChart(kind, item.texts) : null;
        if (said && !said.ok) problems.push(...said.problems);
        if (said?.ok) charts.set(item.tag, said.chart);
        const texts = said?.ok ? chartTexts(said.chart) : item.texts;
        return { problems, key: item.tag, tag: item.tag, value: { ...item, texts } };
      },
      write: async (items) => {
        const { hall } = context;
        const byTag = await barsByTag(
          hall,
          items.map(({ tag }) => tag),
        );
        const ids = [...byTag.values()].map(({ id }) => id);
        const kept = new Map(
          (await hall.rows(barSetups, { where: inArray(barSetups.barId, ids), forUpdate: true })).map((row) => [
            row.barId,
            row,
          ]),
        );
        await hall.putMany(
          barSetups,
          [barSetups.barId],
          items.map(({ tag, value }) => {
            const barId = byTag.get(tag)!.id;
            const { chartVersion = 0, version = 0 } = kept.get(barId) ?? {};
            return {
              barId,
              chart: charts.get(tag)!,
              calibratedOn: value.calibratedOn,
              chartVersion: chartVersion + 1,
              version: version + 1,
            };
          }),
        );
        await recordChanges(
          context,
          items.map(({ tag, value }) => ({
            entity: "bar",
            entityId: byTag.get(tag)!.id,
            action: "calibrated",
            before: there.get(tag)?.texts,
            after: value.texts,
            reason: FROM_A_FILE,
          })),
        );
      },
    });
  },
};

async function read({ hall }: Context): Promise<FileChart[]> {
  const rows = await hall.rowsWith(
    barSetups,
    { bar: withTag(barSetups.barId) },
    {
      where: and(isNotNull(barSetups.chart), ne(bars.state, "retired")),
    },
  );
  return rows
    .flatMap(({ row: { chart, calibratedOn }, bar }) =>
      bar ? [{ tag: bar.tag, texts: chartTexts(chart as SetupChart), calibratedOn }] : [],
    )
    .sort((a, b) => (a.tag < b.tag ? -1 : 1));
}
