import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { barDetails } from "@/server/barPage";
import { careLately } from "@/server/care";
import { careOfBar } from "@/server/careDue";
import { listClamps } from "@/server/equipment";
import { may } from "@/server/permissions";
import { measuringRules } from "@/server/rules";
import { whoIsAsking } from "@/server/who";
import { heaviestPairKg } from "@/ui/bars/clamps";
import { BarSheet } from "@/ui/bars/BarSheet";
import { stateAction, undoAction } from "../actions";

type Params = Promise<{ tag: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: decodeURIComponent((await params).tag) };
}

export default async function BarPage({ params }: { params: Params }) {
  const who = await whoIsAsking();
  const details = await barDetails(who, decodeURIComponent((await params).tag));
  if (!details) notFound();
  const [care, log, rules, clamps] = await Promise.all([
    careOfBar(who, details.id),
    careLately(who, { barId: details.id, limit: 6 }),
    measuringRules(who),
    listClamps(who),
  ]);
  return (
    <BarSheet
      details={details}
      care={care}
      log={log}
      today={who.today}
      tolerances={rules.tolerances}
      clampPairKg={heaviestPairKg(clamps)}
      may={{
        changeState: may(who, "bar.change-state"),
        endQuarantine: may(who, "bar.end-quarantine"),
        measure: may(who, "bar.measure"),
        edit: may(who, "bar.edit"),
      }}
      stateAction={stateAction}
      undoAction={undoAction}
    />
  );
}
