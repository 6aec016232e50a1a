import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { receivingKinds } from "@/core/buying/receiving";
import { may, requestContext } from "@/server/access";
import { orderToReceive } from "@/server/buying";
import { ReceiveForm } from "@/ui/buy/ReceiveForm";
import { PageHead } from "@/ui/kit/PageHead";
import { receiveAction } from "../../actions";

export const metadata: Metadata = { title: "Check in" };

export default async function ReceivePage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const order = may(context, "delivery.receive") ? await orderToReceive(context, id) : null;
  if (!order) notFound();
  const { bar, code, wantedTag, tolerances } = order;
  return (
    <>
      <PageHead title={`Check in ${code}`} about={bar.name} />
      <ReceiveForm
        offerId={id}
        wantedTag={wantedTag ?? ""}
        kinds={receivingKinds(bar).map((kind) => ({
          kind,
          stated: bar.quantities[kind]?.value ?? null,
          tolerance: tolerances[kind],
        }))}
        action={receiveAction}
      />
    </>
  );
}
