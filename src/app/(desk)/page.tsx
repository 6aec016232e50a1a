import type { Metadata } from "next";
import { todayItems } from "@/server/today";
import { keptBriefly, requestContext } from "@/server/access";
import { TodayList } from "@/ui/today/TodayList";

export const metadata: Metadata = { title: "Today" };

export default async function TodayPage() {
  const context = await requestContext();
  const items = await keptBriefly(context, "today", (context) => todayItems(context));
  return <TodayList items={items} today={context.clock.today} hallName={context.actor.hallName} />;
}
