import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { allLifts, liftTexts } from "@/server/lifts";
import { may, requestContext } from "@/server/access";
import { PageHead } from "@/ui/kit/PageHead";
import { LiftsSheet } from "@/ui/match/LiftsSheet";
import { MatchNav } from "@/ui/match/MatchNav";
import { liftAction } from "../actions";

export const metadata: Metadata = { title: "Lifts" };

async function LiftsPage() {
  const context = await requestContext();
  const lifts = await allLifts(context);
  return (
    <>
      <PageHead title="Lifts" about="what Match knows of each; add your own">
        <MatchNav here="/match/lifts" />
      </PageHead>
      <LiftsSheet
        lifts={lifts.map((row) => ({ id: row.id, version: row.version, texts: liftTexts(row) }))}
        mayEdit={may(context, "lift.edit")}
        action={liftAction}
      />
    </>
  );
}

export default inParts(LiftsPage);
