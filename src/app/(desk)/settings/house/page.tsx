import type { Metadata } from "next";
import { matchingRules } from "@/server/houseRules";
import { may } from "@/server/permissions";
import { whoIsAsking } from "@/server/who";
import { PageHead } from "@/ui/kit/PageHead";
import { HouseForm } from "@/ui/settings/HouseForm";
import { houseAction, previewAction } from "./actions";

export const metadata: Metadata = { title: "House rules" };

export default async function HousePage() {
  const who = await whoIsAsking();
  const { version, ...rules } = await matchingRules(who);
  return (
    <>
      <PageHead title="House rules" about="where practitioners disagree, the house decides" />
      <HouseForm
        rules={rules}
        version={version}
        mayEdit={may(who, "rule.edit")}
        action={houseAction}
        preview={previewAction}
      />
    </>
  );
}
