import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { barDetails } from "@/server/bars";
import { careLately, careOfBar } from "@/server/care";
import { may } from "@/server/permissions";
import { whoIsAsking } from "@/server/who";
import { BarSheet } from "@/ui/bars/BarSheet";
import { measureAction, stateAction } from "./actions";

type Params = Promise<{ tag: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: decodeURIComponent((await params).tag) };
}

export default async function BarPage({ params }: { params: Params }) {
  const who = await whoIsAsking();
  const details = await barDetails(who, decodeURIComponent((await params).tag));
  if (!details) notFound();
  const [care, log] = await Promise.all([careOfBar(who, details.id), careLately(who, { barId: details.id, limit: 6 })]);
  return (
    <BarSheet
      details={details}
      care={care}
      log={log}
      today={who.today}
      may={{
        changeState: may(who, "bar.change-state"),
        endQuarantine: may(who, "bar.end-quarantine"),
        measure: may(who, "bar.measure"),
      }}
      stateAction={stateAction}
      measureAction={measureAction}
    />
  );
}
