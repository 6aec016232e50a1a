import type { Metadata } from "next";
import { cookies } from "next/headers";
import { doorstep, may, requestContext } from "@/server/access";
import { peopleToPick } from "@/server/accounts";
import { storedCareRulesOf } from "@/server/care/planning";
import { measuringRules } from "@/server/rules";
import { backupsOf } from "@/server/upkeep";
import { BackupNote } from "@/ui/settings/BackupNote";
import { ClimateForm } from "@/ui/settings/ClimateForm";
import { SettingsSheet } from "@/ui/settings/SettingsSheet";
import { RulesForm } from "@/ui/settings/RulesForm";
import { pickAction, signOutAction } from "../../(doors)/sign-in/actions";
import { climateAction, rulesAction, themeAction } from "./actions";

export const metadata: Metadata = { title: "Settings" };

export default async function SettingsPage() {
  const [context, step, jar] = [await requestContext(), await doorstep(), await cookies()];
  const halls = context.actor.isDemo ? await peopleToPick(step) : [];
  const care = await storedCareRulesOf(context);
  return (
    <SettingsSheet
      actor={context.actor}
      halls={halls}
      theme={jar.get("theme")?.value ?? ""}
      pickAction={pickAction}
      asksCode={step.demoCode !== null}
      signOutAction={signOutAction}
      mayManagePeople={may(context, "people.manage")}
      themeAction={themeAction}
      backups={<BackupNote state={await backupsOf(context)} timeZone={context.actor.timeZone} />}
      climate={
        <ClimateForm
          climate={care.climate ?? context.actor.climateClass}
          version={care.version}
          mayEdit={may(context, "rule.edit")}
          action={climateAction}
        />
      }
      rules={<RulesForm {...await measuringRules(context)} mayEdit={may(context, "rule.edit")} action={rulesAction} />}
    />
  );
}
