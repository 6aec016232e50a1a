"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { doorstep, requestContext } from "@/server/access";
import {
  addPasskey,
  changePassphrase,
  confirmSession,
  endSessions,
  enterHall,
  passkeyToAdd,
  removePasskey,
  setPin,
  turnOffSecondStep,
  turnOnSecondStep,
} from "@/server/accounts";
import { FRESH, type FormState } from "@/ui/kit/formState";
import { refusedAtDoor, textsOf } from "../../../(doors)/doorActions";

function done(message: string, typed: Record<string, string> = {}): FormState {
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed };
}

/** Types the passphrase once more. */
export async function confirmAction(_before: FormState, form: FormData): Promise<FormState> {
  const { passphrase = "" } = textsOf(form);
  const result = await confirmSession(await requestContext(), await doorstep(), passphrase);
  return result.ok ? done("Confirmed.") : refusedAtDoor(result, {});
}

/** Chooses a new passphrase. */
export async function passphraseAction(_before: FormState, form: FormData): Promise<FormState> {
  const { passphrase = "" } = textsOf(form);
  const result = await changePassphrase(await requestContext(), await doorstep(), passphrase);
  return result.ok ? done("Saved. You are signed out everywhere else.") : refusedAtDoor(result, {});
}

/** Chooses or removes one's own PIN. */
export async function pinAction(_before: FormState, form: FormData): Promise<FormState> {
  const { pin = "" } = textsOf(form);
  const result = await setPin(await requestContext(), pin.trim());
  return result.ok ? done(pin.trim() === "" ? "PIN removed." : "Saved.") : refusedAtDoor(result, {});
}

/** Ends one session, or every other. */
export async function endSessionAction(_before: FormState, form: FormData): Promise<FormState> {
  const { id } = textsOf(form);
  const result = await endSessions(await requestContext(), await doorstep(), id === "others" || !id ? null : id);
  return result.ok ? done("Signed out there.") : refusedAtDoor(result, {});
}

/** Goes to another gym of one's own. */
export async function enterHallAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await enterHall(await requestContext(), await doorstep(), textsOf(form).personId ?? "");
  if (!result.ok) return refusedAtDoor(result, {});
  revalidatePath("/", "layout");
  redirect("/");
}

/** Turns the second step on. */
export async function secondStepOnAction(_before: FormState, form: FormData): Promise<FormState> {
  const { secret = "", code = "" } = textsOf(form);
  const result = await turnOnSecondStep(await requestContext(), await doorstep(), { secret, code });
  return result.ok ? done("On.", { spareCodes: result.spareCodes.join(" ") }) : refusedAtDoor(result, {});
}

/** Turns it off. */
export async function secondStepOffAction(): Promise<FormState> {
  const result = await turnOffSecondStep(await requestContext(), await doorstep());
  return result.ok ? done("Off.") : refusedAtDoor(result, {});
}

/** What the browser makes a passkey with. */
export async function passkeyOptionsAction() {
  const result = await passkeyToAdd(await requestContext(), await doorstep());
  return result.ok
    ? { options: result.options, challenge: result.challenge, message: "" }
    : { options: null, challenge: "", message: result.message };
}

/** Keeps the passkey that it made. */
export async function passkeyAddAction(response: unknown, challenge: string, name: string): Promise<FormState> {
  const context = await requestContext();
  if (typeof response !== "object" || response === null || typeof challenge !== "string" || typeof name !== "string")
    return { ...FRESH, status: "refused", message: "The passkey was not accepted. Try again." };
  const asked = { response: response as never, challenge, name };
  const result = await addPasskey(context, await doorstep(), asked);
  return result.ok ? done("Added.") : refusedAtDoor(result, {});
}

/** Removes a passkey. */
export async function passkeyRemoveAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await removePasskey(await requestContext(), await doorstep(), textsOf(form).id ?? "");
  return result.ok ? done("Removed.") : refusedAtDoor(result, {});
}
