import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { barById } from "@/server/bars";
import { listClamps, listStations } from "@/server/equipment";
import { clampFacts, platesAtHand, rackFacts, runOf } from "@/server/loading";
import { requestContext } from "@/server/access";
import { plateLabel, plateMark } from "@/ui/load/plateWords";
import { RunScreen } from "@/ui/load/RunScreen";
import { endAction } from "../../actions";

export const metadata: Metadata = { title: "Run sheet" };

export default async function RunPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const result = await runOf(context, id);
  if (!result.ok) {
    if (result.code === "not-found") notFound();
    return (
      <p role="alert" className="sheet p-6">
        {result.message}
      </p>
    );
  }
  const { row, view } = result;
  const [item, clamps, { items: stations }, plates] = await Promise.all([
    barById(context, row.barId),
    listClamps(context),
    listStations(context),
    platesAtHand(context, id),
  ]);
  const station = stations.find(({ key }) => key === row.stationKey) ?? null;
  const clamp = clamps.find(({ key }) => key === row.clampKey) ?? null;
  const rows = new Map([...plates].map(([key, { row: plate }]) => [key, plate]));
  return (
    <RunScreen
      key={id}
      first={view}
      bar={item!.bar}
      stationName={station?.name ?? null}
      rack={rackFacts(item!.bar, station)}
      clamp={clamp && clampFacts(clamp)}
      plates={Object.fromEntries(
        [...plates].map(([key, { row: plate, massUnits }]) => [
          key,
          {
            label: plateLabel(key, rows),
            mark: plateMark(plate),
            massUnits,
            thicknessMm: plate.thicknessMm,
            diameterMm: plate.diameterMm,
            colour: plate.colour,
          },
        ]),
      )}
      planHref={context.door.kind === "device" ? "/station" : row.planAddress}
      endAction={endAction}
    />
  );
}
