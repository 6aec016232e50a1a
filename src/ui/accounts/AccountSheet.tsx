import type { ReactNode } from "react";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { SheetPart } from "../kit/SheetPart";

interface Props {
  name: string;
  role: string;
  hallName: string;
  /** Null in the demonstration, whose people have no account. */
  own: { signInName: string; email: string | null } | null;
  confirm: ReactNode;
  passphrase: ReactNode;
  secondStep: ReactNode;
  passkeys: ReactNode;
  pin: ReactNode;
  sessions: ReactNode;
  halls: ReactNode;
}

/** How one signs in, and where one is signed in. */
export function AccountSheet({ name, role, hallName, own, confirm, ...parts }: Props) {
  return (
    <>
      <PageHead title="Your account" about={`${name}, ${role} of ${hallName}`}>
        <Link href="/settings" className="link text-sm">
          Settings
        </Link>
      </PageHead>
      {confirm}
      <div className="grid max-w-5xl items-start gap-3 md:grid-cols-2">
        {own ? (
          <>
            <div className="grid gap-3">
              <SheetPart
                id="passphrase"
                title="Passphrase"
                about={`You sign in as ${own.signInName}${own.email ? ` or ${own.email}` : ""}.`}
              >
                {parts.passphrase}
              </SheetPart>
              <SheetPart
                id="second-step"
                title="Second step"
                about="A code from an authenticator app as well, for people who may change a lot."
              >
                {parts.secondStep}
              </SheetPart>
              <SheetPart id="passkeys" title="Passkeys" about="Sign in with a finger or a face instead.">
                {parts.passkeys}
              </SheetPart>
            </div>
            <div className="grid gap-3">
              {parts.halls && (
                <SheetPart id="gyms" title="Your gyms">
                  {parts.halls}
                </SheetPart>
              )}
              <SheetPart id="pin" title="PIN" about="For shared tablets, where a touch that matters asks who it is.">
                {parts.pin}
              </SheetPart>
              <SheetPart id="sessions" title="Where you are signed in">
                {parts.sessions}
              </SheetPart>
            </div>
          </>
        ) : (
          <SheetPart
            id="pin"
            title="PIN"
            about="For shared tablets, where a touch that matters asks who it is. In the demonstration people have no passphrase."
          >
            {parts.pin}
          </SheetPart>
        )}
      </div>
    </>
  );
}
