import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { simulatedTruth } from "@/core/instruments/simulatedTruth";
import { barDetails } from "@/server/barPage";
import { barCondition } from "@/server/careCondition";
import { storedCareRulesOf } from "@/server/careRules";
import { inspectionsOf, partsOf } from "@/server/inspections";
import { may } from "@/server/permissions";
import { whoIsAsking } from "@/server/who";
import { inspectAction } from "@/app/(desk)/care/actions";
import { InspectionSheet } from "@/ui/care/InspectionSheet";

type Params = Promise<{ tag: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: `Inspect ${decodeURIComponent((await params).tag)}` };
}

export default async function InspectPage({ params }: { params: Params }) {
  const who = await whoIsAsking();
  const details = await barDetails(who, decodeURIComponent((await params).tag));
  if (!details) notFound();
  const { bar, id } = details;
  const [past, rules, condition] = await Promise.all([
    inspectionsOf(who, id),
    storedCareRulesOf(who),
    barCondition(who, id),
  ]);
  return (
    <InspectionSheet
      key={past[0]?.id ?? "first"}
      bar={bar}
      parts={partsOf(bar.family)}
      limits={rules.limits}
      condition={condition}
      today={who.today}
      past={past.map((row) => ({
        id: row.id,
        on: row.inspectedOn,
        by: row.by,
        tirMm: row.tirMm,
        suggested: row.suggested,
        decided: row.decided,
        reason: row.reason,
        facts: row.facts,
      }))}
      truth={{
        tirMm: simulatedTruth(bar, "runout"),
        spinS: simulatedTruth(bar, "spinDown"),
        endPlayMm: simulatedTruth(bar, "endPlay"),
      }}
      mayInspect={may(who, "bar.inspect")}
      mayOverride={may(who, "bar.change-state")}
      idempotencyKey={randomUUID()}
      action={inspectAction}
    />
  );
}
