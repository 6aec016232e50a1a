import type { ReactNode } from "react";
import { PageHead } from "../kit/PageHead";
import { SheetPart } from "../kit/SheetPart";
import Link from "../kit/Link";

interface Props {
  confirm: ReactNode;
  people: ReactNode;
  invite: ReactNode;
  devices: ReactNode;
  programs: ReactNode;
  letters: ReactNode;
  /** What happened at the doors; null for whoever may not know. */
  log: ReactNode;
}

/** Who may come in, on which tablets, and which programs. */
export function PeopleSheet({ confirm, people, invite, devices, programs, letters, log }: Props) {
  return (
    <>
      <PageHead title="People and devices">
        <Link href="/settings" className="link text-sm">
          Settings
        </Link>
      </PageHead>
      {confirm}
      <div className="grid items-start gap-3 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="grid gap-3">
          <SheetPart id="people" title="People">
            {people}
          </SheetPart>
          {log && (
            <SheetPart
              id="account-log"
              title="What happened"
              about="Who signed in, from where, and what was taken out."
            >
              {log}
            </SheetPart>
          )}
        </div>
        <div className="grid gap-3">
          <SheetPart
            id="invite"
            title="Invite"
            about="They open the link once, within seven days, and choose their passphrase."
          >
            {invite}
          </SheetPart>
          <SheetPart id="devices" title="Tablets" about="A paired tablet shows its own screen and nothing else.">
            {devices}
          </SheetPart>
          <SheetPart
            id="programs"
            title="Programs"
            about="A token lets a spreadsheet or a script ask what you may see, until it ends."
          >
            {programs}
          </SheetPart>
          {letters && (
            <SheetPart id="letters" title="Outbox" about="Letters of the last month. What was not sent you may copy.">
              {letters}
            </SheetPart>
          )}
        </div>
      </div>
    </>
  );
}
