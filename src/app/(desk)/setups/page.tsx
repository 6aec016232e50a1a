import type { Metadata } from "next";
import { may } from "@/server/access/permissions";
import { barsToSet, keptSettings } from "@/server/setups";
import { settingCounts } from "@/server/setupCards";
import { storageOf } from "@/server/storage";
import { requestContext } from "@/server/access/session";
import { SetupsSheet } from "@/ui/setups/SetupsSheet";

export const metadata: Metadata = { title: "Setups" };

export default async function SetupsPage() {
  const context = await requestContext();
  const bars = await barsToSet(context);
  const [kept, counts, storage] = await Promise.all([
    keptSettings(context, { withHistory: true }),
    settingCounts(
      context,
      bars.map(({ id }) => id),
    ),
    storageOf(context),
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
