import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { cache } from "react";
import { inParts } from "@/app/inParts";
import type { Bar } from "@/core/bars/bar";
import type { InspectionFacts } from "@/core/care/inspection";
import { usageCardOf } from "@/core/use/useCards";
import { bendOfFacts, type BendPlace, SHOWN_BEND_MM } from "@/core/wear/bendPlace";
import { wearAlong } from "@/core/wear/wearAlong";
import type { FoundAlong } from "@/core/wear/zones";
import { barDetails } from "@/server/bars";
import { type Finding, listFindings } from "@/server/care/findings";
import { inspectionsOf } from "@/server/care/inspections";
import { feelOfBars, notesOf } from "@/server/feel";
import { listLifters } from "@/server/lifters";
import { grippedOn } from "@/server/logbook";
import { careLately } from "@/server/care/log";
import { careOfBar } from "@/server/care/due";
import { listClamps } from "@/server/equipment";
import { may, requestContext } from "@/server/access";
import { measuringRules, usageRules } from "@/server/rules";
import { heaviestPairKg } from "@/ui/bars/clamps";
import { settleAction } from "@/app/(desk)/care/actions";
import { BarFeelFold } from "@/ui/feel/BarFeelFold";
import { BarSheet } from "@/ui/bars/BarSheet";
import { WearStrip } from "@/ui/bars/WearStrip";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { Fold } from "@/ui/kit/Fold";
import Link from "@/ui/kit/Link";
import { UseCardLines } from "@/ui/wall/UseCardLines";
import { Findings } from "@/ui/care/Findings";
import { noteAction, stateAction, undoAction } from "../actions";

type Params = Promise<{ tag: string }>;

/** So many finds are marked along a shaft; older ones are in the history. */
const MAX_MARKED = 6;

/** Where the newest three turns of the dial have the bend, where they show one. */
function bendSeen(bar: Bar, looked: readonly { facts: InspectionFacts }[]): BendPlace | null {
  const facts = looked.find(({ facts }) => facts.dialLeftMm && facts.dialMm && facts.dialRightMm)?.facts;
  const bend = facts ? bendOfFacts(bar, facts) : null;
  return bend && bend.tirMm >= SHOWN_BEND_MM ? bend : null;
}

/** What was found at a part of the bar: finds of rounds, and rust or worn knurl of the last inspection. */
function foundAlong(
  findings: readonly Finding[],
  looked: readonly { inspectedOn: string; facts: InspectionFacts }[],
): FoundAlong[] {
  const [last] = looked;
  return [
    ...findings.flatMap(({ zone, note, foundOn, settledAt }): FoundAlong[] =>
      zone ? [{ zone, text: note, on: foundOn, isOpen: settledAt === null }] : [],
    ),
    ...(last?.facts.rustAt && last.facts.rust && last.facts.rust !== "none"
      ? [{ zone: last.facts.rustAt, text: `rust, ${last.facts.rust}`, on: last.inspectedOn, isOpen: true }]
      : []),
    ...(last?.facts.knurlAt && last.facts.knurl && last.facts.knurl !== "sharp"
      ? [{ zone: last.facts.knurlAt, text: `knurl ${last.facts.knurl}`, on: last.inspectedOn, isOpen: true }]
      : []),
  ].slice(0, MAX_MARKED);
}

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: decodeURIComponent((await params).tag) };
}

/** Read once for a page, however many ask. */
const detailsOf = cache(async (tag: string) => barDetails(await requestContext(), tag));

async function lead({ params }: { params: Params }) {
  if (!(await detailsOf(decodeURIComponent((await params).tag)))) notFound();
}

async function BarPage({ params, searchParams }: { params: Params; searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  const details = (await detailsOf(decodeURIComponent((await params).tag)))!;
  const { bar } = details;
  const [care, log, rules, clamps, findings, usage, looked, gripped, feels, notes, lifters] = await Promise.all([
    careOfBar(context, details.id),
    careLately(context, { barId: details.id, limit: 6 }),
    measuringRules(context),
    listClamps(context),
    listFindings(context, { barId: details.id }),
    usageRules(context, [details.bar.family]),
    inspectionsOf(context, details.id, 3),
    grippedOn(context, [details.id]),
    feelOfBars(context, [bar.tag]),
    notesOf(context, details.id),
    listLifters(context),
  ]);
  const open = findings.filter(({ settledAt }) => settledAt === null);
  const bend = bendSeen(bar, looked);
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
          findings={open}
          today={context.clock.today}
          maySettle={may(context, "care.tick")}
          action={settleAction}
        />
      }
      strip={
        <WearStrip
          bar={bar}
          wear={wearAlong(bar, gripped.get(details.id) ?? [])}
          found={foundAlong(findings, looked)}
          bend={bend}
        />
      }
      feel={
        <BarFeelFold
          tag={bar.tag}
          feel={feels.get(bar.tag) ?? null}
          notes={notes}
          today={context.clock.today}
          lifters={lifters.map(({ key, name }) => ({ key, name }))}
          asked={{ lifter: search.lifter ?? null, stage: search.stage ?? null }}
          mayNote={may(context, "bar.measure") && bar.state !== "retired"}
          action={noteAction}
        />
      }
      use={
        <Fold title="How to use it" about="getting in, hands, what surprises, when not">
          <div className="px-4 pb-3">
            <UseCardLines bar={bar} lines={usageCardOf(bar.family, usage(bar.family).own)} />
            {may(context, "setup.edit") && (
              <Link href={`/bars/${encodeURIComponent(bar.tag)}/use`} className="btn btn-sm btn-outline mt-2">
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

export default inParts(BarPage, lead);
