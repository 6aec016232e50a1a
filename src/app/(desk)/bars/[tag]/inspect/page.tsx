import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { simulatedTruth } from "@/core/instruments/simulatedTruth";
import { barDetails } from "@/server/bars";
import { listFindings } from "@/server/care/findings";
import { barCondition } from "@/server/care/records";
import { storedCareRulesOf } from "@/server/care/planning";
import { inspectionsOf, partsOf } from "@/server/care/inspections";
import { may, requestContext } from "@/server/access";
import { inspectAction, settleAction } from "@/app/(desk)/care/actions";
import { Findings } from "@/ui/care/Findings";
import { InspectionSheet } from "@/ui/care/InspectionSheet";

type Params = Promise<{ tag: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: `Inspect ${decodeURIComponent((await params).tag)}` };
}

export default async function InspectPage({ params }: { params: Params }) {
  const context = await requestContext();
  const details = await barDetails(context, decodeURIComponent((await params).tag));
  if (!details) notFound();
  const { bar, id } = details;
  const [past, rules, condition, findings] = await Promise.all([
    inspectionsOf(context, id),
    storedCareRulesOf(context),
    barCondition(context, id),
    listFindings(context, { barId: id, openOnly: true }),
  ]);
  return (
    <>
      <Findings
        findings={findings}
        today={context.clock.today}
        maySettle={may(context, "care.tick")}
        action={settleAction}
      />
      <InspectionSheet
        key={past[0]?.id ?? "first"}
        bar={bar}
        parts={partsOf(bar.family)}
        limits={rules.limits}
        condition={condition}
        today={context.clock.today}
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
        truth={
          context.actor.isDemo
            ? {
                tirMm: simulatedTruth(bar, "runout"),
                spinS: simulatedTruth(bar, "spinDown"),
                endPlayMm: simulatedTruth(bar, "endPlay"),
              }
            : null
        }
        mayInspect={may(context, "bar.inspect")}
        mayOverride={may(context, "bar.change-state")}
        idempotencyKey={randomUUID()}
        action={inspectAction}
      />
    </>
  );
}
