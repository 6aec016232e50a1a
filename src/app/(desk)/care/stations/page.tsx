import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { may, requestContext } from "@/server/access";
import { stationCare } from "@/server/equipment";
import { CareNav } from "@/ui/care/CareNav";
import { StationCare } from "@/ui/care/StationCare";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { stationAction } from "./actions";

export const metadata: Metadata = { title: "Stations" };

async function StationCarePage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  const all = await stationCare(context);
  // A round asks for its own stations, in the order of a walk.
  const asked = (search.at ?? "").split(",");
  const some = all.filter(({ key }) => asked.includes(key));
  return (
    <>
      <PageHead title="Stations" about="bolts, pins, liners and pads of racks and benches">
        <CareNav here="/care/stations" />
      </PageHead>
      {some.length > 0 && (
        <p className="mb-2 text-sm">
          Stations of a round.{" "}
          <Link href="/care/stations" className="link">
            All stations
          </Link>
        </p>
      )}
      <StationCare
        stations={some.length > 0 ? some : all}
        today={context.clock.today}
        mayCheck={may(context, "care.tick")}
        mayReturn={may(context, "equipment.edit")}
        action={stationAction}
      />
    </>
  );
}

export default inParts(StationCarePage);
