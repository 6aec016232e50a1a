import type { Metadata } from "next";
import { careMeters, storedCareRulesOf } from "@/server/care/planning";
import { keepCareCurrent } from "@/server/upkeep";
import { may, requestContext } from "@/server/access";
import { CareNav } from "@/ui/care/CareNav";
import { MeterSheet } from "@/ui/care/MeterSheet";
import { PageHead } from "@/ui/kit/PageHead";
import { careRulesAction, factorsAction } from "../actions";

export const metadata: Metadata = { title: "Meters" };

export default async function MetersPage() {
  const context = await requestContext();
  await keepCareCurrent(context);
  const [{ items }, rules] = await Promise.all([careMeters(context), storedCareRulesOf(context)]);
  return (
    <>
      <PageHead title="Meters" about="how much care each bar needs, and what makes it so">
        <CareNav here="/care/meters" />
      </PageHead>
      <MeterSheet
        items={items}
        rules={rules}
        today={context.clock.today}
        mayRule={may(context, "rule.edit")}
        mayEdit={may(context, "bar.edit")}
        rulesAction={careRulesAction}
        factorsAction={factorsAction}
      />
    </>
  );
}
