import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { isConfirmed, may, requestContext } from "@/server/access";
import { ConfirmForm } from "@/ui/accounts/ConfirmForm";
import { confirmAction } from "../../settings/account/actions";
import { FilesSheet } from "@/ui/bars/FilesSheet";

export const metadata: Metadata = { title: "Import / export" };

async function FilesPage() {
  const context = await requestContext();
  return (
    <FilesSheet
      confirm={
        !isConfirmed(context) && (
          <ConfirmForm what="Exporting everything and importing ask for your passphrase." action={confirmAction} />
        )
      }
      mayHealth={may(context, "lifter.health")}
      mayExport={may(context, "hall.export")}
      mayImport={may(context, "hall.import")}
    />
  );
}

export default inParts(FilesPage);
