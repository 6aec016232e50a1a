import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { blockTimes } from "@/core/classes/blockTimes";
import { classDetails } from "@/server/classes";
import { listStations } from "@/server/equipment";
import { listLifters } from "@/server/lifters";
import { allLifts } from "@/server/lifts";
import { requestContext } from "@/server/access";
import { ClassForm } from "@/ui/classes/ClassForm";
import { TonightSheet } from "@/ui/classes/TonightSheet";
import { PageHead } from "@/ui/kit/PageHead";
import { addEntryAction, assignAction, classAction, lockAction, reassignAction } from "../actions";

export const metadata: Metadata = { title: "Class" };

export default async function ClassPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const result = await classDetails(context, id);
  if (!result.ok) notFound();
  const { details } = result;
  const { name, heldOn, startsAt, blocks, blockMinutes, capacities, version } = details.row;
  const [{ items: stations }, lifters, lifts] = await Promise.all([
    listStations(context),
    listLifters(context),
    allLifts(context),
  ]);
  const usual = Object.fromEntries(
    lifters.flatMap((row) =>
      Object.entries(row.usualLoads ?? {}).map(([lift, { value, unit }]) => [`${row.key} ${lift}`, `${value} ${unit}`]),
    ),
  );
  const times = blockTimes(startsAt, blockMinutes, blocks);
  const texts = {
    name,
    heldOn,
    startsAt,
    blocks: String(blocks),
    blockMinutes: String(blockMinutes),
    ...Object.fromEntries(Object.entries(capacities).map(([key, n]) => [`capacity.${key}`, String(n)])),
  };
  return (
    <>
      <PageHead title={name} about={`${heldOn === context.clock.today ? "tonight" : heldOn}, ${times.join(", ")}`} />
      <TonightSheet
        details={details}
        times={times}
        stations={stations.filter(({ key }) => capacities[key])}
        lifters={lifters}
        lifts={lifts}
        usual={usual}
        actions={{ add: addEntryAction, lock: lockAction, assign: assignAction, reassign: reassignAction }}
      />
      <details className="sheet mt-3 px-4">
        <summary className="min-h-11 cursor-pointer py-3 text-sm font-semibold">When and where</summary>
        <div className="pb-4">
          <ClassForm key={version} id={id} version={version} texts={texts} stations={stations} action={classAction} />
        </div>
      </details>
    </>
  );
}
