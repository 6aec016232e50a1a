import type { Metadata } from "next";
import { careMeters, storedCareRulesOf } from "@/server/careRules";
import { keepCareCurrent } from "@/server/housekeeping";
import { may } from "@/server/permissions";
import { whoIsAsking } from "@/server/who";
import { CareNav } from "@/ui/care/CareNav";
import { MeterSheet } from "@/ui/care/MeterSheet";
import { PageHead } from "@/ui/kit/PageHead";
import { careRulesAction, factorsAction } from "../actions";

export const metadata: Metadata = { title: "Meters" };

export default async function MetersPage() {
  const who = await whoIsAsking();
  await keepCareCurrent(who);
  const [{ items }, rules] = await Promise.all([careMeters(who), storedCareRulesOf(who)]);
  return (
    <>
      <PageHead title="Meters" about="how much care each bar needs, and what makes it so">
        <CareNav here="/care/meters" />
      </PageHead>
      <MeterSheet
        items={items}
        rules={rules}
        today={who.today}
        mayRule={may(who, "rule.edit")}
        mayEdit={may(who, "bar.edit")}
        rulesAction={careRulesAction}
        factorsAction={factorsAction}
      />
    </>
  );
}
