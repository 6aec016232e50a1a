import "server-only";
import { and, inArray, isNull, ne } from "drizzle-orm";
import { eq } from "drizzle-orm";
import type { FileSetting } from "@/core/hallFileParts";
import { barSetups, bars, lifterSettings, lifters } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { barsByTag, withTag } from "@/server/kit";
import { writeSettings } from "@/server/setups";
import { diffList } from "../listPart";
import type { FilePart } from "../part";

/**
 * Current settings of lifters who are not erased, on bars that are not retired, for those who may read them; one that
 * differs replaces the one before, which stays as history.
 */
export const settingsPart: FilePart<"settings"> = {
  key: "settings",
  read,
  diff: async (context, incoming, { lifters: people, familyOf, lifts, stations }) =>
    diffList<FileSetting, FileSetting>({
      name: "setting",
      incoming,
      there: new Map((await read(context))?.map((one) => [keyOf(one), one])),
      read: (item) => ({
        problems: [
          ...(people.has(item.lifter) ? [] : [{ path: "lifter", message: `there is no lifter ${item.lifter}` }]),
          ...(familyOf.has(item.tag) ? [] : [{ path: "tag", message: `there is no bar ${item.tag}` }]),
          ...(lifts.has(item.lift) ? [] : [{ path: "lift", message: `there is no lift ${item.lift}` }]),
          ...(item.station === null || stations.has(item.station)
            ? []
            : [{ path: "station", message: `there is no station ${item.station}` }]),
        ],
        key: keyOf(item),
        tag: item.tag,
        value: item,
      }),
      write: async (items) => {
        const { hall } = context;
        const byTag = await barsByTag(
          hall,
          items.map(({ tag }) => tag),
        );
        const keys = [...new Set(items.map(({ value }) => value.lifter))];
        const ids = [...byTag.values()].map(({ id }) => id);
        const [persons, setups] = [
          new Map((await hall.rows(lifters, { where: inArray(lifters.key, keys) })).map(({ key, id }) => [key, id])),
          new Map(
            (await hall.rows(barSetups, { where: inArray(barSetups.barId, ids) })).map((row) => [
              row.barId,
              row.chartVersion,
            ]),
          ),
        ];
        await writeSettings(
          context,
          items.map(({ value: { lifter, tag, lift, setting, station, jCupHole, safetyHole, note, ...madeFor } }) => {
            const barId = byTag.get(tag)!.id;
            return {
              lifterId: persons.get(lifter)!,
              barId,
              liftKey: lift,
              setting,
              chartVersion: setups.get(barId) ?? 0,
              stationKey: station,
              jCupHole,
              safetyHole,
              loadKg: madeFor.loadKg ?? null,
              plateMm: madeFor.plateMm ?? null,
              rackMm: madeFor.rackMm ?? null,
              note,
              words: `${tag}, ${lift}: ${Object.values(setting).join(", ") || "as built"}`,
            };
          }),
        );
      },
    }),
};

async function read(context: Context): Promise<FileSetting[] | null> {
  if (!may(context, "lifter.read")) return null;
  const rows = await context.hall.rowsWith(
    lifterSettings,
    {
      bar: withTag(lifterSettings.barId),
      lifter: { table: lifters, on: eq(lifters.id, lifterSettings.lifterId), columns: { key: lifters.key } },
    },
    { where: and(isNull(lifterSettings.replacedAt), isNull(lifters.retiredAt), ne(bars.state, "retired")) },
  );
  return rows
    .flatMap(({ row, bar, lifter }): FileSetting[] => {
      if (!bar || !lifter) return [];
      const { liftKey, setting, stationKey, jCupHole, safetyHole, loadKg, plateMm, rackMm, note } = row;
      return [
        {
          ...{ lifter: lifter.key, tag: bar.tag, lift: liftKey, setting, station: stationKey, jCupHole, safetyHole },
          ...{ loadKg, plateMm, rackMm, note },
        },
      ];
    })
    .sort((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1));
}

const keyOf = ({ lifter, tag, lift }: Pick<FileSetting, "lifter" | "tag" | "lift">) =>
  JSON.stringify([lifter, tag, lift]);
