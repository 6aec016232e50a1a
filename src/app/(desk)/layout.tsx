import type { ReactNode } from "react";
import { careDueCounts } from "@/server/care/due";
import { keepCareCurrent } from "@/server/upkeep";
import { todayCount } from "@/server/today";
import { DEVICE_HOME, keptBriefly, requestContext } from "@/server/access";
import { CheckProvider } from "@/ui/kit/formCheck";
import { Shell } from "@/ui/kit/Shell";
import { ShownProvider } from "@/ui/kit/ShownProvider";
import { checkFormAction } from "./formActions";
import { TabletShell } from "@/ui/kit/TabletShell";

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const context = await requestContext();
  await keepCareCurrent(context);
  const { units, locale } = context.actor;
  const reader = { units, locale, today: context.clock.today };
  if (context.door.kind === "device") {
    const { personId, name, hallName, isDemo } = context.actor;
    return (
      <ShownProvider {...reader}>
        <TabletShell
          actor={{ personId, name }}
          hallName={hallName}
          isDemo={isDemo}
          home={DEVICE_HOME[context.actor.role] ?? "/"}
        >
          <CheckProvider check={checkFormAction}>{children}</CheckProvider>
        </TabletShell>
      </ShownProvider>
    );
  }
  // Beside every page: worked out when something of the hall was written, and not for each page anew.
  const [today, due] = await keptBriefly(context, "counts", (context) =>
    Promise.all([todayCount(context), careDueCounts(context, context.clock.today)]),
  );
  return (
    <ShownProvider {...reader}>
      <Shell
        hallName={context.actor.hallName}
        isDemo={context.actor.isDemo}
        actor={context.actor}
        counts={{ today, care: due.reduce((sum, { count }) => sum + count, 0) }}
      >
        <CheckProvider check={checkFormAction}>{children}</CheckProvider>
      </Shell>
    </ShownProvider>
  );
}
