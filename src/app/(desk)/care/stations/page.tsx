import type { Metadata } from "next";
import { may, requestContext } from "@/server/access";
import { stationCare } from "@/server/equipment";
import { CareNav } from "@/ui/care/CareNav";
import { StationCare } from "@/ui/care/StationCare";
import { PageHead } from "@/ui/kit/PageHead";
import { stationAction } from "./actions";

export const metadata: Metadata = { title: "Stations" };

export default async function StationCarePage() {
  const context = await requestContext();
  return (
    <>
      <PageHead title="Stations" about="bolts, pins, liners and pads of racks and benches">
        <CareNav here="/care/stations" />
      </PageHead>
      <StationCare
        stations={await stationCare(context)}
        today={context.clock.today}
        mayCheck={may(context, "care.tick")}
        mayReturn={may(context, "equipment.edit")}
        action={stationAction}
      />
    </>
  );
}
