import type { Metadata } from "next";
import { isConfirmed, requestContext } from "@/server/access";
import { ownSheet } from "@/server/own";
import { ConfirmForm } from "@/ui/accounts/ConfirmForm";
import { OwnSheetView } from "@/ui/own/OwnSheetView";
import { confirmAction } from "../settings/account/actions";
import { comfortAction, eraseMeAction } from "./actions";

export const metadata: Metadata = { title: "You" };

export default async function MePage() {
  const context = await requestContext();
  return (
    <OwnSheetView
      name={context.actor.name}
      today={context.clock.today}
      sheet={await ownSheet(context)}
      mayErase={context.actor.role === "lifter"}
      confirm={
        !isConfirmed(context) && (
          <ConfirmForm what="Erasing yourself asks for your passphrase." action={confirmAction} />
        )
      }
      comfortAction={comfortAction}
      eraseAction={eraseMeAction}
    />
  );
}
