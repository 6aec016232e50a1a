import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { firstWeek, todayBeside, todayItems } from "@/server/today";
import { keptBriefly, requestContext } from "@/server/access";
import { TodayList } from "@/ui/today/TodayList";

export const metadata: Metadata = { title: "Today" };

export default async function TodayPage() {
  const context = await requestContext();
  // Somebody who lifts has a page of their own; what is to do here is others' to do.
  if (context.actor.role === "lifter") redirect("/me");
  const [items, beside, steps] = await Promise.all([
    keptBriefly(context, "today", (context) => todayItems(context)),
    keptBriefly(context, "today-beside", (context) => todayBeside(context)),
    keptBriefly(context, "first-week", (context) => firstWeek(context)),
  ]);
  return (
    <TodayList
      items={items}
      beside={beside}
      steps={steps}
      today={context.clock.today}
      hallName={context.actor.hallName}
    />
  );
}
