import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { FAMILIES } from "@/core/bars/families";
import { may, requestContext } from "@/server/access";
import { barDetails } from "@/server/bars";
import { usageRules } from "@/server/rules";
import { UseCardForm } from "@/ui/bars/UseCardForm";
import { usageAction } from "../../actions";

export const metadata: Metadata = { title: "How to use it" };

export default async function UseCardPage({ params }: { params: Promise<{ tag: string }> }) {
  const context = await requestContext();
  const details = await barDetails(context, decodeURIComponent((await params).tag));
  if (!details) notFound();
  const { tag, family } = details.bar;
  const { own, version } = (await usageRules(context, [family]))(family);
  return (
    <UseCardForm
      tag={tag}
      family={family}
      familyName={FAMILIES[family].name}
      own={own}
      version={version}
      mayEdit={may(context, "setup.edit")}
      action={usageAction}
    />
  );
}
