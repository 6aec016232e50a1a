import type { Metadata } from "next";
import { doorstep, maybeContext } from "@/server/access";
import { invitationOf, ownAccount } from "@/server/accounts";
import { DoorSheet } from "@/ui/doors/DoorSheet";
import { JoinForm, JoinWithOwn, ResetForm } from "@/ui/doors/JoinForms";
import Link from "@/ui/kit/Link";
import { joinAction, joinOwnAction, resetAction } from "./actions";

export const metadata: Metadata = { title: "Join", referrer: "no-referrer" };

export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const [{ token }, step] = [await params, await doorstep()];
  const invitation = await invitationOf(step, token);
  if (!invitation)
    return (
      <DoorSheet
        title="This link does not work any more"
        about="It was used already, has run out, or was replaced by a newer one. Ask the person who sent it for a new one."
      >
        <Link href="/sign-in" className="btn btn-outline">
          Sign in
        </Link>
      </DoorSheet>
    );
  const { kind, hallName, personName, role } = invitation;
  if (kind === "reset")
    return (
      <DoorSheet title="New passphrase" about={`For ${personName} at ${hallName}. You are signed out everywhere else.`}>
        <ResetForm token={token} action={resetAction} />
      </DoorSheet>
    );
  const context = await maybeContext();
  const own = context && (await ownAccount(context, step));
  return (
    <DoorSheet title={`Join ${hallName}`} about={`You are invited as ${role}: ${personName}.`}>
      {own ? (
        <JoinWithOwn token={token} signInName={own.signInName} action={joinOwnAction} />
      ) : (
        <>
          <JoinForm token={token} personName={personName} action={joinAction} />
          <p className="text-quiet text-sm">
            You have an account already, from another gym?{" "}
            <Link href="/sign-in" className="link">
              Sign in
            </Link>{" "}
            first, then open this link again.
          </p>
        </>
      )}
    </DoorSheet>
  );
}
