import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { isConfirmed, requestContext } from "@/server/access";
import { usageCardOf } from "@/core/use/useCards";
import { ownSheet } from "@/server/own";
import { usageRules } from "@/server/rules";
import { ConfirmForm } from "@/ui/accounts/ConfirmForm";
import { OwnSheetView } from "@/ui/own/OwnSheetView";
import { confirmAction } from "../settings/account/actions";
import { comfortAction, eraseMeAction, ownNoteAction } from "./actions";

export const metadata: Metadata = { title: "You" };

async function MePage() {
  const context = await requestContext();
  const sheet = await ownSheet(context);
  const rules = await usageRules(
    context,
    (sheet?.bars ?? []).map(({ family }) => family),
  );
  return (
    <OwnSheetView
      name={context.actor.name}
      today={context.clock.today}
      sheet={sheet}
      use={(sheet?.bars ?? []).map(({ tag, name, family }) => ({
        ...{ tag, name },
        lines: usageCardOf(family, rules(family).own),
      }))}
      noteAction={ownNoteAction}
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

export default inParts(MePage);
