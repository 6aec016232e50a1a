import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { may, requestContext } from "@/server/access";
import { offerById } from "@/server/offers";
import { BuyNav } from "@/ui/buy/BuyNav";
import { OfferForm } from "@/ui/buy/OfferForm";
import { PageHead } from "@/ui/kit/PageHead";
import { saveOfferAction } from "../../actions";

export const metadata: Metadata = { title: "Edit offer" };

export default async function EditOfferPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const item = may(context, "offer.edit") ? await offerById(context, id) : null;
  if (!item) notFound();
  return (
    <>
      <PageHead title={`Edit ${item.code}`} about={item.offer.name}>
        <BuyNav />
      </PageHead>
      <OfferForm
        id={id}
        version={item.row.version}
        texts={item.row.texts}
        currency={context.actor.currency}
        action={saveOfferAction}
        back={`/buy/${id}`}
      />
    </>
  );
}
