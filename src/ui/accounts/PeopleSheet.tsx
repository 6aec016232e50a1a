import type { ReactNode } from "react";
import { PageHead } from "../kit/PageHead";
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

function Part({ id, title, about, children }: { id: string; title: string; about?: string; children: ReactNode }) {
  return (
    <section className="sheet p-4" aria-labelledby={id}>
      <h2 id={id} className="mb-1 font-bold">
        {title}
      </h2>
      {about && <p className="text-quiet mb-3 text-sm">{about}</p>}
      {children}
    </section>
  );
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
          <Part id="people" title="People">
            {people}
          </Part>
          {log && (
            <Part id="account-log" title="What happened" about="Who signed in, from where, and what was taken out.">
              {log}
            </Part>
          )}
        </div>
        <div className="grid gap-3">
          <Part
            id="invite"
            title="Invite"
            about="They open the link once, within seven days, and choose their passphrase."
          >
            {invite}
          </Part>
          <Part id="devices" title="Tablets" about="A paired tablet shows its own screen and nothing else.">
            {devices}
          </Part>
          <Part
            id="programs"
            title="Programs"
            about="A token lets a spreadsheet or a script ask what you may see, until it ends."
          >
            {programs}
          </Part>
          {letters && (
            <Part id="letters" title="Outbox" about="Letters of the last month. What was not sent you may copy.">
              {letters}
            </Part>
          )}
        </div>
      </div>
    </>
  );
}
