import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { may, requestContext } from "@/server/access";
import { BuyNav } from "@/ui/buy/BuyNav";
import { OfferForm } from "@/ui/buy/OfferForm";
import { PageHead } from "@/ui/kit/PageHead";
import { saveOfferAction } from "../actions";

export const metadata: Metadata = { title: "Add offer" };

async function NewOfferPage() {
  const context = await requestContext();
  if (!may(context, "offer.edit")) return <p className="sheet p-6">The manager adds offers.</p>;
  return (
    <>
      <PageHead title="Add offer" about="as the seller states it">
        <BuyNav />
      </PageHead>
      <OfferForm
        id={null}
        version={0}
        texts={{}}
        currency={context.actor.currency}
        action={saveOfferAction}
        back="/buy"
      />
    </>
  );
}

export default inParts(NewOfferPage);
