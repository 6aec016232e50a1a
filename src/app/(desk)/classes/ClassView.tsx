import { blockTimes } from "@/core/classes/blockTimes";
import { boardPlates, type ClassDetails } from "@/server/classes";
import { listStations } from "@/server/equipment";
import { listLifters } from "@/server/lifters";
import { allLifts } from "@/server/lifts";
import { platesAtHand } from "@/server/loading";
import type { Context } from "@/server/access";
import { FoldedClassForm } from "@/ui/classes/FoldedClassForm";
import { TonightSheet } from "@/ui/classes/TonightSheet";
import { facesOf } from "@/ui/load/plateFaces";
import {
  addEntryAction,
  assignAction,
  brushAction,
  classAction,
  lockAction,
  moveAction,
  reassignAction,
} from "./actions";

/** A class as its coach works on it: the board, who wants what, when and where. */
export async function ClassView({ context, details }: { context: Context; details: ClassDetails }) {
  const { row, items, plan } = details;
  const { id, name, heldOn, startsAt, blocks, blockMinutes, capacities, version } = row;
  const [{ items: stations }, lifters, lifts, plates, atHand] = await Promise.all([
    listStations(context),
    listLifters(context),
    allLifts(context),
    boardPlates(context, items, plan),
    platesAtHand(context),
  ]);
  const usual = Object.fromEntries(
    lifters.flatMap((one) =>
      Object.entries(one.usualLoads ?? {}).map(([lift, { value, unit }]) => [`${one.key} ${lift}`, `${value} ${unit}`]),
    ),
  );
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
      <TonightSheet
        details={details}
        times={blockTimes(startsAt, blockMinutes, blocks)}
        stations={stations.filter(({ key }) => capacities[key])}
        lifters={lifters}
        lifts={lifts}
        usual={usual}
        plates={plates}
        faces={facesOf(new Map([...atHand].map(([key, { row: plate }]) => [key, plate])))}
        actions={{
          ...{ add: addEntryAction, lock: lockAction, assign: assignAction },
          ...{ reassign: reassignAction, move: moveAction, brush: brushAction },
        }}
      />
      <FoldedClassForm id={id} version={version} texts={texts} stations={stations} action={classAction} />
    </>
  );
}
