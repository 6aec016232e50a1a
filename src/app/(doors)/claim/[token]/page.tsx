import type { Metadata } from "next";
import { doorstep } from "@/server/access";
import { claimOf } from "@/server/accounts";
import { ClaimForm } from "@/ui/doors/ClaimForm";
import { DoorSheet } from "@/ui/doors/DoorSheet";
import { claimAction } from "./actions";

export const metadata: Metadata = { title: "Claim your gym", referrer: "no-referrer" };

export default async function ClaimPage({ params }: { params: Promise<{ token: string }> }) {
  const [{ token }, step] = [await params, await doorstep()];
  const claim = await claimOf(step, token);
  if (!claim)
    return (
      <DoorSheet
        title="This link does not work any more"
        about="It was used already, or Garrison was started again since and printed a newer one."
      >
        {null}
      </DoorSheet>
    );
  // The machine stands in the gym, as a rule.
  const ownZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <DoorSheet
      title="Make this gym yours"
      about="You become its owner. Everything here can be changed later in Settings."
    >
      <ClaimForm
        token={token}
        facts={{ timeZone: ownZone, ...claim.facts }}
        zones={Intl.supportedValuesOf("timeZone")}
        action={claimAction}
      />
    </DoorSheet>
  );
}
