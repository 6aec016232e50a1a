import type { ReactNode } from "react";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";

interface Props {
  actor: { personId: string; name: string; role: string; hallName: string; timeZone: string };
  halls: { hallName: string; people: { id: string; name: string; role: string }[] }[];
  theme: string;
  becomeAction: (form: FormData) => Promise<void>;
  themeAction: (form: FormData) => Promise<void>;
  rules: ReactNode;
  /** How backups stand; nothing where the reader may not know or none are made. */
  backups: ReactNode;
  climate: ReactNode;
}

const THEMES = [
  ["", "as the device says"],
  ["paper", "light"],
  ["night", "dark"],
] as const;

/** Who is asking, how it looks, and what is known of the hall. */
export function SettingsSheet({ actor, halls, theme, becomeAction, themeAction, rules, backups, climate }: Props) {
  return (
    <>
      <PageHead title="Settings" />
      <div className="grid max-w-5xl items-start gap-3 md:grid-cols-2">
        <div className="grid gap-3">
          <section className="sheet p-4" aria-labelledby="actor">
            <h2 id="actor" className="mb-1 font-bold">
              Signed in as
            </h2>
            <p className="text-quiet mb-3 text-sm">
              You are {actor.name}, {actor.role} of {actor.hallName}. Until there are accounts, choose who you are here;
              the demonstration has two halls, and neither sees the other.
            </p>
            {halls.map(({ hallName, people }) => (
              <div key={hallName} className="mb-3">
                <h3 className="mb-1 text-sm font-semibold">{hallName}</h3>
                <ul className="flex flex-wrap gap-2">
                  {people.map(({ id, name, role }) => (
                    <li key={id}>
                      <form action={becomeAction}>
                        <input type="hidden" name="personId" value={id} />
                        <button
                          className={`btn min-h-11 ${id === actor.personId ? "btn-primary" : "btn-outline"}`}
                          aria-pressed={id === actor.personId}
                        >
                          {name} <span className="font-normal opacity-80">{role}</span>
                        </button>
                      </form>
                    </li>
                  ))}
                </ul>
              </div>
            ))}
          </section>
          <section className="sheet p-4" aria-labelledby="climate">
            <h2 id="climate" className="mb-1 font-bold">
              Climate
            </h2>
            <p className="text-quiet mb-2 text-sm">
              How often bars need care follows from the air. This counts where no sensor and no file says more.{" "}
              <Link href="/care/air" className="link">
                Sensors and files
              </Link>
            </p>
            {climate}
          </section>
        </div>
        <div className="grid gap-3">
          <section className="sheet p-4" aria-labelledby="rules">
            <h2 id="rules" className="mb-1 font-bold">
              Measuring and comparing
            </h2>
            <p className="text-quiet mb-3 text-sm">
              How far a measured value may lie from the stated one before it is flagged, and how much slack this house
              calls noticeable.
            </p>
            {rules}
          </section>
          <section className="sheet p-4" aria-labelledby="house">
            <h2 id="house" className="mb-1 font-bold">
              Where practitioners disagree
            </h2>
            <p className="text-quiet mb-2 text-sm">
              Eleven questions with the sides that people take, and the numbers the matcher goes by.
            </p>
            <Link href="/settings/house" className="btn btn-outline min-h-11">
              House rules
            </Link>
          </section>
          <section className="sheet p-4" aria-labelledby="screen">
            <h2 id="screen" className="mb-1 font-bold">
              Wall screen
            </h2>
            <p className="text-quiet mb-2 text-sm">
              For a tablet beside the bars: touch a lift, see the bar. It shows nothing about anybody.
            </p>
            <Link href="/wall" className="btn btn-outline min-h-11">
              Open the wall screen
            </Link>
          </section>
          {backups}
          <section className="sheet p-4" aria-labelledby="look">
            <h2 id="look" className="mb-2 font-bold">
              Light or dark
            </h2>
            <form action={themeAction} className="flex flex-wrap gap-2">
              {THEMES.map(([key, words]) => (
                <button
                  key={key}
                  name="theme"
                  value={key}
                  className={`btn min-h-11 ${theme === key ? "btn-primary" : "btn-outline"}`}
                  aria-pressed={theme === key}
                >
                  {words}
                </button>
              ))}
            </form>
          </section>
          <section className="sheet p-4" aria-labelledby="hall">
            <h2 id="hall" className="mb-2 font-bold">
              The hall
            </h2>
            <dl className="grid grid-cols-[6rem_1fr] gap-y-1 text-sm">
              <dt className="text-quiet">name</dt>
              <dd>{actor.hallName}</dd>
              <dt className="text-quiet">time zone</dt>
              <dd>{actor.timeZone}</dd>
            </dl>
          </section>
        </div>
      </div>
    </>
  );
}
