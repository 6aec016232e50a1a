import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { climateMonths } from "@/core/care/climateMonths";
import { addDays } from "@/core/units/hallDay";
import { latestSteel, listSensors, sensorDays, sensorExtent } from "@/server/care/air";
import { keepCareCurrent } from "@/server/upkeep";
import { may, requestContext } from "@/server/access";
import { AirSheet } from "@/ui/care/AirSheet";
import { CareNav } from "@/ui/care/CareNav";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { importAirAction, sensorAction } from "../actions";

export const metadata: Metadata = { title: "Air" };

async function AirPage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  await keepCareCurrent(context);
  const sensors = await listSensors(context);
  const sensor = sensors.find(({ key }) => key === search.sensor) ?? sensors[0];
  const head = (
    <PageHead title="Air" about="what the hall's air does to bars, day by day">
      <CareNav here="/care/air" />
    </PageHead>
  );
  if (!sensor)
    return (
      <>
        {head}
        <p className="sheet p-6">
          There is no sensor yet. Until there is, care goes by the climate chosen under{" "}
          <Link href="/settings#climate" className="link">
            Settings
          </Link>
          .
        </p>
      </>
    );
  const [days, steel, extent] = await Promise.all([
    sensorDays(context, sensor.id, addDays(context.clock.today, -395)),
    latestSteel(context, sensor),
    sensorExtent(context, sensor.id),
  ]);
  return (
    <>
      {head}
      <AirSheet
        sensors={sensors.map(({ key, name }) => ({ key, name }))}
        sensor={sensor}
        months={climateMonths(days)}
        days={days
          .slice(-60)
          .map(({ day, rateUmPerYear, wetHours, dewHours }) => ({ day, rateUmPerYear, wetHours, dewHours }))}
        depositionOf={Object.fromEntries(days.map(({ day, so2, chloride }) => [day.slice(0, 7), { so2, chloride }]))}
        now={steel.at(-1) ?? null}
        steel={steel.slice(-30)}
        timeZone={context.actor.timeZone}
        extent={{ readings: extent.readings, uploaded: extent.uploaded, since: extent.since?.toISOString() ?? null }}
        today={context.clock.today}
        mayEdit={may(context, "climate.edit")}
        importAction={importAirAction}
        sensorAction={sensorAction}
      />
    </>
  );
}

export default inParts(AirPage);
