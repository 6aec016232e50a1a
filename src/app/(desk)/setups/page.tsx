import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { keptBriefly, may, requestContext } from "@/server/access";
import { barsToSet, keptSettings, settingCounts, storageOf } from "@/server/setups";
import { SetupsSheet } from "@/ui/setups/SetupsSheet";

export const metadata: Metadata = { title: "Setups" };

async function SetupsPage() {
  const context = await requestContext();
  const bars = await barsToSet(context);
  const [kept, counts, storage] = await Promise.all([
    keptSettings(context, { withHistory: true }),
    settingCounts(
      context,
      bars.map(({ id }) => id),
    ),
    keptBriefly(context, "storage", storageOf),
  ]);
  return (
    <SetupsSheet
      bars={bars}
      kept={kept}
      counts={counts}
      conflicts={storage.conflicts}
      mayRead={may(context, "lifter.read")}
    />
  );
}

export default inParts(SetupsPage);
