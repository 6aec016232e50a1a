import type { Metadata } from "next";
import QRCode from "qrcode";
import { inParts } from "@/app/inParts";
import { doorstep, isConfirmed, requestContext } from "@/server/access";
import { hallsOfAccount, newSecondStep, openSessions, ownAccount, ownPasskeys, passkeySite } from "@/server/accounts";
import { agentText } from "@/ui/accounts/agentText";
import { AccountSheet } from "@/ui/accounts/AccountSheet";
import { ConfirmForm } from "@/ui/accounts/ConfirmForm";
import { HallSwitch, PassphraseForm, PinForm, SessionList } from "@/ui/accounts/OwnForms";
import { PasskeyForms } from "@/ui/accounts/PasskeyForms";
import { SecondStepForm } from "@/ui/accounts/SecondStepForm";
import { agoText, momentText } from "@/core/units/dates";
import {
  confirmAction,
  endSessionAction,
  enterHallAction,
  passkeyAddAction,
  passkeyOptionsAction,
  passkeyRemoveAction,
  passphraseAction,
  pinAction,
  secondStepOffAction,
  secondStepOnAction,
} from "./actions";

export const metadata: Metadata = { title: "Your account" };

async function AccountPage() {
  const [context, step] = [await requestContext(), await doorstep()];
  const { actor, clock } = context;
  const now = clock.now();
  const own = await ownAccount(context, step);
  const isOpen = isConfirmed(context);
  const [sessions, halls, passkeys] = [
    await openSessions(context, step),
    await hallsOfAccount(context, step),
    await ownPasskeys(context, step),
  ];
  const fresh = own && isOpen && !own.hasSecondStep ? newSecondStep(context) : null;
  return (
    <AccountSheet
      name={actor.name}
      role={actor.role}
      hallName={actor.hallName}
      own={own}
      confirm={
        !isOpen && <ConfirmForm what="Changing how you sign in asks for your passphrase." action={confirmAction} />
      }
      passphrase={<PassphraseForm action={passphraseAction} />}
      secondStep={
        own && (
          <SecondStepForm
            isOn={own.hasSecondStep}
            spareCodes={own.spareCodes}
            fresh={
              fresh && {
                secret: fresh.secret,
                picture: await QRCode.toDataURL(fresh.address, { errorCorrectionLevel: "M", margin: 1, width: 352 }),
              }
            }
            onAction={secondStepOnAction}
            offAction={secondStepOffAction}
          />
        )
      }
      passkeys={
        <PasskeyForms
          isPossible={passkeySite(step.origin) !== null}
          rows={passkeys.map(({ id, name, createdAt, usedAt }) => ({
            id,
            name,
            about: `Added ${momentText(createdAt, actor, now)}${usedAt ? `, last used ${agoText(usedAt, actor, now)}` : ""}.`,
          }))}
          optionsAction={passkeyOptionsAction}
          addAction={passkeyAddAction}
          removeAction={passkeyRemoveAction}
        />
      }
      pin={<PinForm hasPin={own?.hasPin ?? false} action={pinAction} />}
      sessions={
        <SessionList
          action={endSessionAction}
          rows={sessions.map(({ id, isThis, seenAt, agent, address }) => ({
            id,
            isThis,
            about: [agentText(agent) || "a browser", address, agoText(seenAt, actor, now)].filter(Boolean).join(" · "),
          }))}
        />
      }
      halls={
        halls.length > 1 && (
          <HallSwitch
            rows={halls.map(({ personId, hallName, role }) => ({ personId, hallName, role }))}
            current={actor.personId}
            action={enterHallAction}
          />
        )
      }
    />
  );
}

export default inParts(AccountPage);
