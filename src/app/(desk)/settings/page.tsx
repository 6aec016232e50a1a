import type { Metadata } from "next";
import { cookies } from "next/headers";
import { inParts } from "@/app/inParts";
import { type Context, doorstep, isConfirmed, may, requestContext } from "@/server/access";
import { gymOf, gymText, ownUnits, peopleToPick } from "@/server/accounts";
import { storedCareRulesOf } from "@/server/care/planning";
import { keepingRules, measuringRules } from "@/server/rules";
import { wallFacts } from "@/server/bars";
import { backupsOf, lastDrill } from "@/server/upkeep";
import { ConfirmForm } from "@/ui/accounts/ConfirmForm";
import { agoText, momentText } from "@/core/units/dates";
import { GymForm } from "@/ui/settings/GymForm";
import { UnitsForm } from "@/ui/settings/UnitsForm";
import { KeepingForm } from "@/ui/settings/KeepingForm";
import { BackupNote } from "@/ui/settings/BackupNote";
import { ClimateForm } from "@/ui/settings/ClimateForm";
import { SettingsSheet } from "@/ui/settings/SettingsSheet";
import { RulesForm } from "@/ui/settings/RulesForm";
import { pickAction, signOutAction } from "../../(doors)/sign-in/actions";
import { confirmAction } from "./account/actions";
import {
  backUpAction,
  drillAction,
  keepingAction,
  gymAction,
  unitsAction,
  climateAction,
  rulesAction,
  themeAction,
} from "./actions";

export const metadata: Metadata = { title: "Settings" };

async function SettingsPage() {
  const [context, step, jar] = [await requestContext(), await doorstep(), await cookies()];
  const halls = context.actor.isDemo ? await peopleToPick(step) : [];
  const care = await storedCareRulesOf(context);
  const backups = await backupFacts(context);
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
      backups={backups && <BackupNote {...backups} backUpAction={backUpAction} drillAction={drillAction} />}
      confirm={
        may(context, "hall.archive") &&
        !isConfirmed(context) && (
          <ConfirmForm what="The gym’s archive asks for your passphrase." action={confirmAction} />
        )
      }
      units={<UnitsForm own={await ownUnits(context)} gym={gymOf(context)} action={unitsAction} />}
      gym={
        <GymForm
          gym={gymOf(context)}
          was={gymText(gymOf(context))}
          mayEdit={may(context, "rule.edit")}
          action={gymAction}
        />
      }
      keeping={
        <KeepingForm {...await keepingRules(context)} mayEdit={may(context, "rule.edit")} action={keepingAction} />
      }
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

/** How backups stand, in words; null for whoever need not know, and where the program makes none. */
async function backupFacts(context: Context) {
  const state = await backupsOf(context);
  if (!state) return null;
  const { actor, clock } = context;
  const now = clock.now();
  const { lastGoodAt, problem } = state;
  const drilled = await lastDrill(context);
  return {
    last: lastGoodAt
      ? `Last good backup: ${momentText(lastGoodAt, actor, now)} (${agoText(lastGoodAt, actor, now)}).`
      : "There is no backup yet.",
    problem,
    drill: may(context, "hall.archive")
      ? drilled
        ? `A restore was last tried ${momentText(drilled, actor, now)}.`
        : "Nobody has tried a restore yet. Do it once a year, on another computer."
      : null,
    isEmpty: (await wallFacts(context)).total === 0,
  };
}

export default inParts(SettingsPage);
