import "server-only";
import type { FileMeeting } from "@/core/hallFileParts";
import { meetingSpecs } from "@/data/schema";
import type { Context } from "@/server/access";
import {
  type MeetingSpecRow,
  type SpecValue,
  allLifts,
  ownMeetingSpecs,
  readSpec,
  specKey,
  writeSpec,
} from "@/server/lifts";
import { NOTHING, prepareList } from "../listPart";
import type { PreparedPart } from "../part";

/** The hall's own meeting rules as files carry them. */
export async function exportMeetings(context: Context): Promise<FileMeeting[]> {
  return (await ownMeetingSpecs(context))
    .map(({ rules, source, lifts, ranges, marks }) => ({
      rules,
      source,
      lifts,
      marks: marks ?? "",
      texts: Object.fromEntries(
        Object.entries(ranges).flatMap(([kind, range]) =>
          Object.entries(range).map(([end, value]) => [`${end}.${kind}`, String(value)]),
        ),
      ),
    }))
    .sort((a, b) => (specKey(a) < specKey(b) ? -1 : 1));
}

/** Reads meeting rules of a file against the hall's: the same name for the same lifts is changed, others are new. */
export async function prepareMeetings(
  context: Context,
  incoming: readonly FileMeeting[],
  lifts: readonly string[],
): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const known = [...(await allLifts(context)).map(({ key }) => key), ...lifts];
  const rows = new Map((await hall.rows(meetingSpecs)).map((row) => [specKey(row), row]));
  const valueOf = ({ rules, source, lifts: own, ranges, marks }: MeetingSpecRow): SpecValue => ({
    rules,
    source,
    lifts: own,
    ranges,
    marks,
  });
  return prepareList<FileMeeting, SpecValue>({
    name: "meeting rule",
    incoming,
    there: new Map([...rows].map(([key, row]) => [key, valueOf(row)])),
    read: (item) => {
      const { value, problems } = readSpec(item, known);
      return { problems, value, key: specKey(value), tag: value.rules };
    },
    write: ({ key, value }) => writeSpec(context, rows.get(key) ?? null, value, "from a file"),
  });
}
