"use server";

import { revalidatePath } from "next/cache";
import QRCode from "qrcode";
import { doorstep, requestContext } from "@/server/access";
import {
  changeRole,
  invite,
  inviteAgain,
  makePairingCode,
  makeToken,
  removePerson,
  revokeDevice,
  revokeToken,
} from "@/server/accounts";
import { type FormState } from "@/ui/kit/formState";
import { refusedAtDoor, textsOf } from "../../../(doors)/doorActions";

const SHOWN = "/settings/people";
const done = (message: string, typed: Record<string, string> = {}): FormState => {
  revalidatePath(SHOWN);
  return { status: "done", message, problems: [], typed };
};
const pictureOf = (address: string) => QRCode.toDataURL(address, { errorCorrectionLevel: "M", margin: 1, width: 352 });

/** Invites somebody. */
export async function inviteAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const { name = "", role = "", email = "" } = typed;
  const result = await invite(await requestContext(), await doorstep(), { name, role, email });
  if (!result.ok) return refusedAtDoor(result, typed);
  const { address } = result;
  return done("Shown once. It works once, for seven days.", {
    invited: name,
    address,
    picture: await pictureOf(address),
  });
}

/** Makes a new link for somebody who did not join yet, or forgot the passphrase. */
export async function linkAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await inviteAgain(await requestContext(), await doorstep(), typed.personId ?? "");
  if (!result.ok) return refusedAtDoor(result, typed);
  const { address } = result;
  return done("Shown once. It works once, and replaces the link before.", {
    address,
    picture: await pictureOf(address),
  });
}

/** Changes what somebody may. */
export async function roleAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const { personId = "", role = "" } = typed;
  const result = await changeRole(await requestContext(), { personId, role, version: Number(typed.version) });
  return result.ok ? done(`Now ${role}.`) : refusedAtDoor(result, typed);
}

/** Removes somebody. */
export async function removeAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const asked = { personId: typed.personId ?? "", version: Number(typed.version) };
  const result = await removePerson(await requestContext(), asked);
  return result.ok ? done("Removed.") : refusedAtDoor(result, typed);
}

/** Makes the code that a tablet types. */
export async function pairAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const context = await requestContext();
  const result = await makePairingCode(context, { name: typed.name ?? "", purpose: typed.purpose ?? "" });
  if (!result.ok) return refusedAtDoor(result, typed);
  const until = new Intl.DateTimeFormat("en-GB", {
    timeZone: context.actor.timeZone,
    hour: "2-digit",
    minute: "2-digit",
  }).format(result.endsAt);
  return done("", { code: result.code, until });
}

/** Revokes a tablet. */
export async function revokeDeviceAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await revokeDevice(await requestContext(), typed.id ?? "");
  return result.ok ? done("Revoked. Its next touch shows the sign-in page.") : refusedAtDoor(result, typed);
}

/** Makes a token for a program. */
export async function makeTokenAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const { label = "", days = "" } = typed;
  const scopes = form.getAll("scopes").map(String);
  const result = await makeToken(await requestContext(), { label, scopes, days });
  return result.ok
    ? done("", { label, token: result.token })
    : refusedAtDoor(result, { ...typed, scopes: scopes.join(" ") });
}

/** Revokes a token. */
export async function revokeTokenAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await revokeToken(await requestContext(), typed.id ?? "");
  return result.ok ? done("Revoked. It no longer works.") : refusedAtDoor(result, typed);
}
