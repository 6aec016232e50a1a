import type { ReactNode } from "react";
import { careDueCount } from "@/server/care";
import { todayItems } from "@/server/today";
import { whoIsAsking } from "@/server/who";
import { Shell } from "@/ui/kit/Shell";

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const who = await whoIsAsking();
  const [today, due] = await Promise.all([todayItems(who), careDueCount(who, who.today)]);
  return (
    <Shell hallName={who.hallName} who={who} counts={{ today: today.length, care: due }}>
      {children}
    </Shell>
  );
}
