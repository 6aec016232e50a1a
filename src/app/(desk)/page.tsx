import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { inParts } from "@/app/inParts";
import { firstWeek, todayBeside, todayItems } from "@/server/today";
import { keptBriefly, requestContext } from "@/server/access";
import { TodayList } from "@/ui/today/TodayList";

export const metadata: Metadata = { title: "Today" };

/** Somebody who lifts has a page of their own; what is to do here is others' to do. */
async function lead() {
  if ((await requestContext()).actor.role === "lifter") redirect("/me");
}

async function TodayPage() {
  const context = await requestContext();
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

export default inParts(TodayPage, lead);
