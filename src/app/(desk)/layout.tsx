import type { ReactNode } from "react";
import { careDueCounts } from "@/server/careDue";
import { keepCareCurrent } from "@/server/housekeeping";
import { todayCount } from "@/server/today";
import { whoIsAsking } from "@/server/who";
import { Shell } from "@/ui/kit/Shell";

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const who = await whoIsAsking();
  await keepCareCurrent(who);
  const [today, due] = await Promise.all([todayCount(who), careDueCounts(who, who.today)]);
  return (
    <Shell hallName={who.hallName} who={who} counts={{ today, care: due.reduce((sum, { count }) => sum + count, 0) }}>
      {children}
    </Shell>
  );
}
