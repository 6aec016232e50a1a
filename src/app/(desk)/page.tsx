import type { Metadata } from "next";
import { todayItems } from "@/server/today";
import { requestContext } from "@/server/access";
import { TodayList } from "@/ui/today/TodayList";

export const metadata: Metadata = { title: "Today" };

export default async function TodayPage() {
  const context = await requestContext();
  return <TodayList items={await todayItems(context)} today={context.clock.today} hallName={context.actor.hallName} />;
}
