import type { Metadata } from "next";
import { matchingRules } from "@/server/rules";
import { may, requestContext } from "@/server/access";
import { PageHead } from "@/ui/kit/PageHead";
import { HouseForm } from "@/ui/settings/HouseForm";
import { houseAction, previewAction } from "./actions";

export const metadata: Metadata = { title: "House rules" };

export default async function HousePage() {
  const context = await requestContext();
  const { version, ...rules } = await matchingRules(context);
  return (
    <>
      <PageHead title="House rules" about="where practitioners disagree, the house decides" />
      <HouseForm
        rules={rules}
        version={version}
        mayEdit={may(context, "rule.edit")}
        action={houseAction}
        preview={previewAction}
      />
    </>
  );
}
