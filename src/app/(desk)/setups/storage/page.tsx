import type { Metadata } from "next";
import { may, requestContext } from "@/server/access";
import { storageOf } from "@/server/setups";
import { PageHead } from "@/ui/kit/PageHead";
import { SetupsNav } from "@/ui/setups/SetupsNav";
import { StorageSheet } from "@/ui/setups/StorageSheet";
import { hangAction, hangFormAction, movePlaceAction, putAwayAction, savePlaceAction } from "../actions";

export const metadata: Metadata = { title: "Where bars hang" };

export default async function StoragePage() {
  const context = await requestContext();
  const storage = await storageOf(context);
  return (
    <>
      <PageHead title="Where bars hang" about="places, pegs, what is wrong, and counting the loose parts">
        <SetupsNav here="/setups/storage" />
      </PageHead>
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
