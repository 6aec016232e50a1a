import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { usageCardOf } from "@/core/use/useCards";
import { barDetails } from "@/server/bars";
import { listFindings } from "@/server/care/findings";
import { careLately } from "@/server/care/log";
import { careOfBar } from "@/server/care/due";
import { listClamps } from "@/server/equipment";
import { may, requestContext } from "@/server/access";
import { measuringRules, usageRules } from "@/server/rules";
import { heaviestPairKg } from "@/ui/bars/clamps";
import { settleAction } from "@/app/(desk)/care/actions";
import { BarSheet } from "@/ui/bars/BarSheet";
import { Fold } from "@/ui/kit/Fold";
import Link from "@/ui/kit/Link";
import { UseCardLines } from "@/ui/wall/UseCardLines";
import { Findings } from "@/ui/care/Findings";
import { stateAction, undoAction } from "../actions";

type Params = Promise<{ tag: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: decodeURIComponent((await params).tag) };
}

export default async function BarPage({ params }: { params: Params }) {
  const context = await requestContext();
  const details = await barDetails(context, decodeURIComponent((await params).tag));
  if (!details) notFound();
  const { bar } = details;
  const [care, log, rules, clamps, findings, usage] = await Promise.all([
    careOfBar(context, details.id),
    careLately(context, { barId: details.id, limit: 6 }),
    measuringRules(context),
    listClamps(context),
    listFindings(context, { barId: details.id, openOnly: true }),
    usageRules(context, [details.bar.family]),
  ]);
  return (
    <BarSheet
      details={details}
      care={care}
      log={log}
      today={context.clock.today}
      tolerances={rules.tolerances}
      clampPairKg={heaviestPairKg(clamps)}
      may={{
        changeState: may(context, "bar.change-state"),
        endQuarantine: may(context, "bar.end-quarantine"),
        measure: may(context, "bar.measure"),
        edit: may(context, "bar.edit"),
      }}
      findings={
        <Findings
          findings={findings}
          today={context.clock.today}
          maySettle={may(context, "care.tick")}
          action={settleAction}
        />
      }
      use={
        <Fold title="How to use it" about="getting in, hands, what surprises, when not">
          <div className="px-4 pb-3">
            <UseCardLines bar={bar} lines={usageCardOf(bar.family, usage(bar.family).own)} />
            {may(context, "setup.edit") && (
              <Link href={`/bars/${encodeURIComponent(bar.tag)}/use`} className="btn btn-sm btn-outline mt-2 min-h-11">
                Change these lines
              </Link>
            )}
          </div>
        </Fold>
      }
      stateAction={stateAction}
      undoAction={undoAction}
    />
  );
}
