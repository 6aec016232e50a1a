import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { equipmentTexts, listClamps, listPlates, listStations, platePairings } from "@/server/equipment";
import { may, requestContext } from "@/server/access";
import { EquipmentSheet } from "@/ui/equipment/EquipmentSheet";
import { saveAction, weighAction } from "./actions";

export const metadata: Metadata = { title: "Plates, clamps, stations" };

async function EquipmentPage() {
  const context = await requestContext();
  const [{ items: plates }, clamps, { items: stations }, pairings] = await Promise.all([
    listPlates(context, { limit: 500 }),
    listClamps(context),
    listStations(context, { limit: 500 }),
    platePairings(context),
  ]);
  const item =
    (kind: "plate" | "clamp" | "station") => (row: (typeof plates | typeof clamps | typeof stations)[number]) => ({
      id: row.id,
      version: row.version,
      texts: equipmentTexts(kind, row),
    });
  return (
    <EquipmentSheet
      plates={plates.map((row) => ({ ...item("plate")(row), pairing: pairings.get(row.id) ?? null }))}
      clamps={clamps.map(item("clamp"))}
      stations={stations.map(item("station"))}
      mayEdit={may(context, "equipment.edit")}
      mayWeigh={may(context, "bar.measure")}
      saveAction={saveAction}
      weighAction={weighAction}
    />
  );
}

export default inParts(EquipmentPage);
