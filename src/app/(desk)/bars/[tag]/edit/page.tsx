import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { barDetails } from "@/server/bars";
import { placeNames } from "@/server/kit";
import { may, requestContext } from "@/server/access";
import { BarForm } from "@/ui/bars/BarForm";
import { PageHead } from "@/ui/kit/PageHead";
import { editAction } from "../../actions";

export const metadata: Metadata = { title: "Edit bar" };

export default async function EditBarPage({ params }: { params: Promise<{ tag: string }> }) {
  const context = await requestContext();
  const details = await barDetails(context, decodeURIComponent((await params).tag));
  if (!details || details.bar.state === "retired") notFound();
  if (!may(context, "bar.edit")) return <p className="sheet p-6">Coaches and the manager edit bars.</p>;
  const { bar, texts, id, version, currency } = details;
  return (
    <>
      <PageHead title={`Change ${bar.tag}`} about={bar.name} />
      <BarForm
        mode="edit"
        texts={texts}
        places={await placeNames(context.hall)}
        currency={currency}
        showsMoney={may(context, "price.read")}
        action={editAction}
        back={`/bars/${encodeURIComponent(bar.tag)}`}
        barId={id}
        version={version}
      />
    </>
  );
}
