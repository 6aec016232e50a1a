import "server-only";
import { readMeeting, type MeetingValue } from "@/core/matching/readMeeting";
import { meetingSpecs } from "@/data/schema";
import { type MeetingSpecRow, ownMeetingSpecs, specKey, writeSpec } from "@/server/lifts";
import { diffList } from "../listPart";
import { type FilePart, FROM_A_FILE } from "../part";

const valueOf = ({ rules, source, lifts, ranges, marks }: MeetingSpecRow): MeetingValue => ({
  rules,
  source,
  lifts,
  ranges,
  marks,
});

/** The hall's own competition rules: the same name for the same lifts is changed, others are new. */
export const meetingsPart: FilePart<"meetings"> = {
  key: "meetings",
  read: async (context) =>
    (await ownMeetingSpecs(context))
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
      .sort((a, b) => (specKey(a) < specKey(b) ? -1 : 1)),
  diff: async (context, incoming, { lifts }) => {
    const rows = new Map((await context.hall.rows(meetingSpecs)).map((row) => [specKey(row), row]));
    return diffList({
      name: "competition rule",
      incoming,
      there: new Map([...rows].map(([key, row]) => [key, valueOf(row)])),
      read: (item) => {
        const { value, problems } = readMeeting(item, [...lifts]);
        return { problems, value, key: specKey(value), tag: value.rules };
      },
      write: async (items) => {
        for (const { key, value } of items) await writeSpec(context, rows.get(key) ?? null, value, FROM_A_FILE);
      },
    });
  },
};
