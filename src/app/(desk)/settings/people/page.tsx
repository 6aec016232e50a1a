import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { doorstep, isConfirmed, may, requestContext } from "@/server/access";
import {
  ACCOUNT_EVENTS,
  accountLines,
  listDevices,
  listMembers,
  listTokens,
  outboxLetters,
  rolesToGive,
} from "@/server/accounts";
import { agentText } from "@/ui/accounts/agentText";
import { AccountLogTable } from "@/ui/accounts/AccountLogTable";
import { ConfirmForm } from "@/ui/accounts/ConfirmForm";
import { DEVICE_PURPOSES } from "@/ui/accounts/devicePurposes";
import { DeviceList, PairDeviceForm } from "@/ui/accounts/DeviceForms";
import { InviteForm } from "@/ui/accounts/InviteForm";
import { LetterList } from "@/ui/accounts/LetterList";
import { PeopleSheet } from "@/ui/accounts/PeopleSheet";
import { PeopleTable } from "@/ui/accounts/PeopleTable";
import { TokenForms } from "@/ui/accounts/TokenForms";
import { agoText, momentText } from "@/core/units/dates";
import { confirmAction } from "../account/actions";
import {
  inviteAction,
  linkAction,
  makeTokenAction,
  pairAction,
  removeAction,
  revokeDeviceAction,
  revokeTokenAction,
  roleAction,
} from "./actions";

export const metadata: Metadata = { title: "People and devices" };

export default async function PeoplePage() {
  const [context, step] = [await requestContext(), await doorstep()];
  if (!may(context, "people.manage")) notFound();
  const { clock, actor } = context;
  const now = clock.now();
  const moment = (at: Date) => momentText(at, actor, now);
  const ago = (at: Date) => agoText(at, actor, now);
  const [members, devices, tokens, letters, lines] = [
    await listMembers(context, step),
    await listDevices(context),
    await listTokens(context),
    await outboxLetters(context),
    await accountLines(context),
  ];
  const roles = rolesToGive(context);
  return (
    <PeopleSheet
      confirm={
        !isConfirmed(context) && (
          <ConfirmForm
            what="Changing roles, removing people and making tokens ask for your passphrase."
            action={confirmAction}
          />
        )
      }
      people={
        <PeopleTable
          roles={roles}
          roleAction={roleAction}
          linkAction={linkAction}
          removeAction={removeAction}
          rows={members.map((one) => ({
            ...one,
            hasAccount: one.signInName !== null,
            signsIn: one.signInName
              ? [`Signs in as ${one.signInName}`, one.email, one.hasSecondStep ? "second step on" : null]
                  .filter(Boolean)
                  .join(" · ")
              : one.invitedUntil
                ? `Invited, until ${moment(one.invitedUntil)}`
                : actor.isDemo
                  ? "Picked from the list of the demonstration"
                  : "Does not sign in",
          }))}
        />
      }
      invite={<InviteForm roles={roles} action={inviteAction} />}
      devices={
        <>
          <DeviceList
            action={revokeDeviceAction}
            rows={devices.map(({ id, name, purpose, seenAt }) => ({
              id,
              name,
              about: `${DEVICE_PURPOSES[purpose]}. Last seen ${ago(seenAt)}.`,
            }))}
          />
          <PairDeviceForm pairAt={`${context.publicUrl}/pair`} action={pairAction} />
        </>
      }
      programs={
        <TokenForms
          makeAction={makeTokenAction}
          revokeAction={revokeTokenAction}
          rows={tokens.map(({ id, label, person, scopes, endsAt, usedAt }) => ({
            id,
            name: label,
            about: [
              `As ${person}: ${scopes.join(", ")}`,
              endsAt ? `until ${moment(endsAt)}` : "no end date",
              usedAt ? `last used ${ago(usedAt)}` : "never used",
            ].join(" · "),
          }))}
        />
      }
      letters={
        letters.length > 0 && (
          <LetterList
            rows={letters.map((letter) => ({
              ...letter,
              state: letter.sentAt
                ? `Sent ${moment(letter.sentAt)}`
                : letter.problem
                  ? `Not sent: ${letter.problem}`
                  : step.mail
                    ? "Waiting to be sent"
                    : "Not sent: this gym sends no mail. Copy it.",
            }))}
          />
        )
      }
      log={
        may(context, "account-log.read") && (
          <AccountLogTable
            csv="/settings/people/log.csv"
            rows={lines.map(({ id, at, kind, person, subject, address, agent }) => ({
              id,
              at: moment(at),
              who: person ?? "nobody",
              what: [ACCOUNT_EVENTS[kind] ?? kind, subject].filter(Boolean).join(": "),
              from: [agentText(agent), address].filter(Boolean).join(" · "),
            }))}
          />
        )
      }
    />
  );
}
