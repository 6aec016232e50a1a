import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { may, requestContext } from "@/server/access";
import { spaceOf } from "@/server/setups";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { SetupsNav } from "@/ui/setups/SetupsNav";
import { SpaceSheet } from "@/ui/setups/SpaceSheet";
import { floorAction } from "../actions";

export const metadata: Metadata = { title: "Room" };

async function SpacePage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  return (
    <>
      <PageHead title="Room" about="people in rows, bars stored in racks, and distances">
        <SetupsNav here="/setups/space" />
      </PageHead>
      <SpaceSheet
        space={await spaceOf(context)}
        from={search.from ?? null}
        mayEdit={may(context, "equipment.edit")}
        action={floorAction}
      />
    </>
  );
}

export default inParts(SpacePage);
