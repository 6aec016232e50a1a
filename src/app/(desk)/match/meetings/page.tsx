import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { BUILT_IN_RULES } from "@/core/matching/meetingRules";
import { allLifts, ownMeetingSpecs } from "@/server/lifts";
import { may, requestContext } from "@/server/access";
import { PageHead } from "@/ui/kit/PageHead";
import { MatchNav } from "@/ui/match/MatchNav";
import { MeetingsSheet } from "@/ui/match/MeetingsSheet";
import { meetingAction } from "../actions";

export const metadata: Metadata = { title: "Competition rules" };

async function MeetingsPage() {
  const context = await requestContext();
  const [lifts, own] = await Promise.all([allLifts(context), ownMeetingSpecs(context)]);
  return (
    <>
      <PageHead title="Competition rules" about="which bar a competition requires for each lift">
        <MatchNav here="/match/meetings" />
      </PageHead>
      <MeetingsSheet
        items={[
          ...BUILT_IN_RULES.map((rule) => ({ ...rule, id: null, version: 0 })),
          ...own.map(({ id, version, rules, source, lifts: keys, ranges, marks }) => ({
            id,
            version,
            rules,
            lifts: keys,
            spec: { name: rules, source, ranges, marks: marks },
          })),
        ]}
        lifts={lifts.map(({ key, name }) => ({ key, name }))}
        mayEdit={may(context, "rule.edit")}
        action={meetingAction}
      />
    </>
  );
}

export default inParts(MeetingsPage);
