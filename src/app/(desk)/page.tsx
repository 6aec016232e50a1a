import type { Metadata } from "next";
import { todayItems } from "@/server/today";
import { whoIsAsking } from "@/server/who";
import { TodayList } from "@/ui/today/TodayList";

export const metadata: Metadata = { title: "Today" };

export default async function TodayPage() {
  const who = await whoIsAsking();
  return <TodayList items={await todayItems(who)} today={who.today} hallName={who.hallName} />;
}
