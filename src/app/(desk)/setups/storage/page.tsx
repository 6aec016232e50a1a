import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { keptBriefly, may, requestContext } from "@/server/access";
import { storageOf } from "@/server/setups";
import { PageHead } from "@/ui/kit/PageHead";
import { SetupsNav } from "@/ui/setups/SetupsNav";
import { StorageSheet } from "@/ui/setups/StorageSheet";
import { hangAction, hangFormAction, movePlaceAction, putAwayAction, savePlaceAction } from "../actions";

export const metadata: Metadata = { title: "Where bars hang" };

/** More than so many on one sketch nobody finds. */
const MAX_BARS = 150;
const MAX_CONFLICTS = 40;

async function StoragePage() {
  const context = await requestContext();
  const all = await keptBriefly(context, "storage", storageOf);
  const isLong = all.bars.length > MAX_BARS;
  const wrong = new Set(all.conflicts.flatMap(({ tags }) => tags));
  const storage = isLong
    ? {
        ...all,
        conflicts: all.conflicts.slice(0, MAX_CONFLICTS),
        bars: [...all.bars].sort((a, b) => Number(wrong.has(b.tag)) - Number(wrong.has(a.tag))).slice(0, MAX_BARS),
      }
    : all;
  return (
    <>
      <PageHead title="Where bars hang" about="places, pegs, what is wrong, and counting the loose parts">
        <SetupsNav here="/setups/storage" />
      </PageHead>
      {isLong && (
        <p className="text-quiet mb-3 text-sm">
          {MAX_BARS} of {all.bars.length} bars are shown, those with something wrong first; every bar’s place is on its
          own page and in its file.
        </p>
      )}
      <StorageSheet
        storage={storage}
        mayHang={may(context, "bar.put-away")}
        mayPlan={may(context, "equipment.edit")}
        hangAction={hangAction}
        hangFormAction={hangFormAction}
        moveAction={movePlaceAction}
        saveAction={savePlaceAction}
        putAwayAction={putAwayAction}
      />
    </>
  );
}

export default inParts(StoragePage);
