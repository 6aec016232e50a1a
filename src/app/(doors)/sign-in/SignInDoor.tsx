import { cookieToken, DEVICE_HOME, deviceRoleOf, doorstep } from "@/server/access";
import { passkeySite, peopleToPick } from "@/server/accounts";
import { DoorSheet } from "@/ui/doors/DoorSheet";
import { PickPerson } from "@/ui/doors/PickPerson";
import { SignInForm } from "@/ui/doors/SignInForm";
import Link from "@/ui/kit/Link";
import { passkeyAnswer, passkeyAsk, pickAction, signInAction } from "./actions";

/** What somebody sees who is not in: the people of a demonstration to pick from, else the form. */
export async function SignInDoor({ to }: { to: string }) {
  const step = await doorstep();
  const [halls, tablet] = [await peopleToPick(step), await deviceRoleOf(await cookieToken())];
  if (tablet)
    return (
      <DoorSheet title="Not on this tablet" about="This tablet is paired for one purpose and shows nothing else.">
        <Link href={DEVICE_HOME[tablet]} className="btn btn-primary">
          Open its screen
        </Link>
      </DoorSheet>
    );
  if (halls.length > 0)
    return (
      <DoorSheet title="Demonstration" about="Everything in it is made up. Choose a person.">
        <PickPerson halls={halls} asksCode={step.demoCode !== null} to={to} action={pickAction} />
      </DoorSheet>
    );
  return (
    <DoorSheet title="Sign in">
      <SignInForm
        action={signInAction}
        to={to}
        hasMail={step.mail !== null}
        passkey={passkeySite(step.origin) ? { ask: passkeyAsk, answer: passkeyAnswer } : null}
      />
    </DoorSheet>
  );
}
