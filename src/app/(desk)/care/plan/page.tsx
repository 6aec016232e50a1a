import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { addDays, hallDayAt } from "@/core/units/hallDay";
import { PLAN_DAYS, calendarLinksOf, crewHours, outboxOf, plannedRounds } from "@/server/care/rounds";
import { keepCareCurrent } from "@/server/upkeep";
import { may, requestContext } from "@/server/access";
import { CareNav } from "@/ui/care/CareNav";
import { PlanSheet } from "@/ui/care/PlanSheet";
import { PageHead } from "@/ui/kit/PageHead";
import { hoursAction, linkAction, moveRoundAction, planAction, readAction, revokeAction } from "../actions";

export const metadata: Metadata = { title: "Rounds planned" };

async function PlanPage() {
  const context = await requestContext();
  await keepCareCurrent(context);
  const [rounds, crew, links, outbox] = await Promise.all([
    plannedRounds(context, { from: context.clock.today }),
    crewHours(context),
    calendarLinksOf(context),
    outboxOf(context),
  ]);
  return (
    <>
      <PageHead title="Rounds" about="due work packed into the crew's hours">
        <CareNav here="/care/plan" />
      </PageHead>
      <PlanSheet
        rounds={rounds}
        days={Array.from({ length: PLAN_DAYS }, (_, i) => addDays(context.clock.today, i))}
        crew={crew}
        links={links.map(({ id, person, createdAt }) => ({
          id,
          person,
          since: hallDayAt(createdAt, context.actor.timeZone),
        }))}
        publicUrl={context.publicUrl}
        mayPlan={may(context, "care.plan")}
        outbox={outbox.map(({ sentAt, ...rest }) => ({ ...rest, at: hallDayAt(sentAt, context.actor.timeZone) }))}
        actions={{
          plan: planAction,
          move: moveRoundAction,
          hours: hoursAction,
          link: linkAction,
          revoke: revokeAction,
          read: readAction,
        }}
      />
    </>
  );
}

export default inParts(PlanPage);
