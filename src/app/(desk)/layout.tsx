import type { ReactNode } from "react";
import { careDueCounts } from "@/server/care/due";
import { keepCareCurrent } from "@/server/upkeep";
import { todayCount } from "@/server/today";
import { requestContext } from "@/server/access";
import { Shell } from "@/ui/kit/Shell";

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const context = await requestContext();
  await keepCareCurrent(context);
  const [today, due] = await Promise.all([todayCount(context), careDueCounts(context, context.clock.today)]);
  return (
    <Shell
      hallName={context.actor.hallName}
      actor={context.actor}
      counts={{ today, care: due.reduce((sum, { count }) => sum + count, 0) }}
    >
      {children}
    </Shell>
  );
}
