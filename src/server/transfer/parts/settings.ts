import "server-only";
import { and, eq, isNull, ne } from "drizzle-orm";
import type { FileSetting } from "@/core/hallFileParts";
import { barSetups, bars, lifterSettings, lifters } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { allLifts } from "@/server/lifts";
import { writeSetting } from "@/server/setups";
import { NOTHING, prepareList } from "../listPart";
import type { PreparedPart } from "../part";

const keyOf = ({ lifter, tag, lift }: Pick<FileSetting, "lifter" | "tag" | "lift">) =>
  JSON.stringify([lifter, tag, lift]);

/** Current settings of lifters who are not erased, on bars that are not retired; null for whoever may not read any. */
export async function exportSettings(context: Context): Promise<FileSetting[] | null> {
  if (!may(context, "lifter.read")) return null;
  const { hall } = context;
  const [rows, people, own] = await Promise.all([
    hall.rows(lifterSettings, { where: isNull(lifterSettings.replacedAt) }),
    hall.rows(lifters, { where: isNull(lifters.retiredAt) }),
    hall.rows(bars, { where: ne(bars.state, "retired") }),
  ]);
  const keys = new Map(people.map(({ id, key }) => [id, key]));
  const tags = new Map(own.map(({ id, tag }) => [id, tag]));
  return rows
    .flatMap(({ lifterId, barId, liftKey, setting, stationKey, jCupHole, safetyHole, note }): FileSetting[] => {
      const [lifter, tag] = [keys.get(lifterId), tags.get(barId)];
      return lifter && tag
        ? [{ lifter, tag, lift: liftKey, setting, station: stationKey, jCupHole, safetyHole, note }]
        : [];
    })
    .sort((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1));
}

/** Reads settings of a file against the hall's; one that differs replaces the one before, which stays as history. */
export async function prepareSettings(
  context: Context,
  incoming: readonly FileSetting[],
  known: { lifters: readonly string[]; tags: readonly string[]; lifts: readonly string[]; stations: readonly string[] },
): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const liftKeys = new Set([...(await allLifts(context)).map(({ key }) => key), ...known.lifts]);
  const people = new Set([...(await hall.rows(lifters)).map(({ key }) => key), ...known.lifters]);
  const [tags, stations] = [new Set(known.tags), new Set(known.stations)];
  const there = new Map((await exportSettings(context))?.map((one) => [keyOf(one), one]));
  return prepareList<FileSetting, FileSetting>({
    name: "setting",
    incoming,
    there,
    read: (item) => ({
      problems: [
        ...(people.has(item.lifter) ? [] : [{ path: "lifter", message: `there is no lifter ${item.lifter}` }]),
        ...(tags.has(item.tag) ? [] : [{ path: "tag", message: `there is no bar ${item.tag}` }]),
        ...(liftKeys.has(item.lift) ? [] : [{ path: "lift", message: `there is no lift ${item.lift}` }]),
        ...(item.station === null || stations.has(item.station)
          ? []
          : [{ path: "station", message: `there is no station ${item.station}` }]),
      ],
      key: keyOf(item),
      tag: item.tag,
      value: item,
    }),
    write: async ({ value: { lifter, tag, lift, setting, station, jCupHole, safetyHole, note } }) => {
      const person = (await hall.first(lifters, { where: eq(lifters.key, lifter) }))!;
      const bar = (await hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")) }))!;
      const setup = await hall.first(barSetups, { where: eq(barSetups.barId, bar.id) });
      await writeSetting(context, {
        lifterId: person.id,
        barId: bar.id,
        liftKey: lift,
        setting,
        chartVersion: setup?.chartVersion ?? 0,
        stationKey: station,
        jCupHole,
        safetyHole,
        note,
        words: `${tag}, ${lift}: ${Object.values(setting).join(", ") || "as it is built"}`,
      });
    },
  });
}
