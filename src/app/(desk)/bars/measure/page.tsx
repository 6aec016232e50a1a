import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { seedFrom } from "@/core/instruments/simulatedInstrument";
import { barsByTag, barsOnTheWall } from "@/server/bars";
import { may, requestContext } from "@/server/access";
import { measuringRules } from "@/server/rules";
import { MeasureChooser } from "@/ui/bars/MeasureChooser";
import { MeasuringSession } from "@/ui/bars/MeasuringSession";
import { sessionKinds } from "@/ui/bars/measuring";
import { readTags } from "@/core/bars/wallQuery";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { keepReadings } from "./actions";

export const metadata: Metadata = { title: "Measure" };

const MAX_IN_SESSION = 100;

async function MeasurePage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  if (!may(context, "bar.measure"))
    return <p className="sheet p-6">Coaches, care crew and the manager measure bars.</p>;
  const tags = readTags(search.bars, MAX_IN_SESSION);
  const found = tags.length > 0 ? await barsByTag(context, tags) : [];
  if (found.length === 0) {
    const wall = (await barsOnTheWall(context)).filter(({ bar }) => bar.state !== "on-order");
    return (
      <>
        <PageHead title="Measure" about="bar by bar, one dimension at a time" />
        <MeasureChooser
          bars={wall.map(({ bar, place, placeOrder }) => ({ bar, place, placeOrder }))}
          unknown={tags}
          offersSimulated={context.actor.isDemo}
        />
      </>
    );
  }
  const first = found.find(({ bar }) => bar.tag === search.at) ?? found[0]!;
  const kinds = sessionKinds(first.bar);
  const kind = kinds.find((one) => one === search.kind) ?? kinds[0]!;
  return (
    <>
      <PageHead title="Measure" about={`${found.length} ${found.length === 1 ? "bar" : "bars"}`} />
      <MeasuringSession
        bars={found.map(({ bar, place }) => ({ bar, place }))}
        start={{ tag: first.bar.tag, kind }}
        tolerances={(await measuringRules(context)).tolerances}
        seed={seedFrom(context.actor.personId, context.clock.today)}
        offersSimulated={context.actor.isDemo}
        action={keepReadings}
      />
    </>
  );
}

export default inParts(MeasurePage);
