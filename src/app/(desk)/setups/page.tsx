import type { Metadata } from "next";
import { may } from "@/server/permissions";
import { barsToSet, keptSettings } from "@/server/setups";
import { settingCounts } from "@/server/setupCards";
import { storageOf } from "@/server/storage";
import { whoIsAsking } from "@/server/who";
import { SetupsSheet } from "@/ui/setups/SetupsSheet";

export const metadata: Metadata = { title: "Setups" };

export default async function SetupsPage() {
  const who = await whoIsAsking();
  const bars = await barsToSet(who);
  const [kept, counts, storage] = await Promise.all([
    keptSettings(who, { withHistory: true }),
    settingCounts(
      who,
      bars.map(({ id }) => id),
    ),
    storageOf(who),
  ]);
  return (
    <SetupsSheet
      bars={bars}
      kept={kept}
      counts={counts}
      conflicts={storage.conflicts}
      mayRead={may(who, "lifter.read")}
    />
  );
}
