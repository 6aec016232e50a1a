import type { ReactNode } from "react";
import Link from "../kit/Link";
import { PickPerson } from "../doors/PickPerson";
import type { FormAction } from "../kit/formState";
import { Fold } from "../kit/Fold";
import { PageHead } from "../kit/PageHead";

interface Props {
  actor: { personId: string; name: string; role: string; hallName: string; timeZone: string };
  halls: { hallName: string; people: { id: string; name: string; role: string }[] }[];
  theme: string;
  /** Of a demonstration: becomes another of its people. */
  pickAction: FormAction;
  asksCode: boolean;
  signOutAction: () => Promise<void>;
  mayManagePeople: boolean;
  themeAction: (form: FormData) => Promise<void>;
  rules: ReactNode;
  /** How backups stand; nothing where the reader may not know or none are made. */
  backups: ReactNode;
  climate: ReactNode;
  confirm: ReactNode;
  keeping: ReactNode;
  gym: ReactNode;
  units: ReactNode;
}

const THEMES = [
  ["", "same as the device"],
  ["paper", "light"],
  ["night", "dark"],
] as const;

/** Who is asking, how it looks, and what is known of the hall. */
export function SettingsSheet({
  actor,
  halls,
  theme,
  pickAction,
  asksCode,
  signOutAction,
  mayManagePeople,
  themeAction,
  rules,
  backups,
  climate,
  confirm,
  keeping,
  gym,
  units,
}: Props) {
  return (
    <>
      <PageHead title="Settings" />
      <div className="grid max-w-5xl items-start gap-3 md:grid-cols-2">
        <div className="grid gap-3">
          <section className="sheet p-4" aria-labelledby="actor">
            <h2 id="actor" className="mb-1 font-bold">
              Signed in as
            </h2>
            <p className="mb-3">
              {actor.name}, {actor.role} of {actor.hallName}
            </p>
            <div className="flex flex-wrap gap-2">
              <Link href="/settings/account" className="btn btn-outline">
                Your account
              </Link>
              <Link href="/me" className="btn btn-outline">
                Your data
              </Link>
              <form action={signOutAction}>
                <button className="btn btn-outline">Sign out</button>
              </form>
            </div>
            {halls.length > 0 && (
              <div className="mt-4">
                <p className="text-quiet mb-3 text-sm">
                  In the demonstration you can be anyone. It has two gyms; neither sees the other.
                </p>
                <PickPerson
                  halls={halls}
                  current={actor.personId}
                  asksCode={asksCode}
                  to="/settings"
                  action={pickAction}
                />
              </div>
            )}
          </section>
          <section className="sheet p-4" aria-labelledby="units">
            <h2 id="units" className="mb-1 font-bold">
              Your units
            </h2>
            <p className="text-quiet mb-3 text-sm">
              What you read and type, whatever the gym uses. <kbd className="kbd kbd-sm">k</kbd> shows the others for a
              moment.
            </p>
            {units}
          </section>
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
                  className={`btn ${theme === key ? "btn-primary" : "btn-outline"}`}
                  aria-pressed={theme === key}
                >
                  {words}
                </button>
              ))}
            </form>
          </section>
          <section className="sheet p-4" aria-labelledby="hall">
            <h2 id="hall" className="mb-2 font-bold">
              The gym
            </h2>
            {gym}
          </section>
          <section className="sheet p-4" aria-labelledby="climate">
            <h2 id="climate" className="mb-1 font-bold">
              Climate
            </h2>
            <p className="text-quiet mb-2 text-sm">
              How often bars need care depends on the air. Used where there are no readings from a sensor or a file.{" "}
              <Link href="/care/air" className="link">
                Sensors and files
              </Link>
            </p>
            {climate}
          </section>
        </div>
        <div className="grid gap-3">
          <section className="sheet p-4" aria-labelledby="house">
            <h2 id="house" className="mb-1 font-bold">
              Where practitioners disagree
            </h2>
            <p className="text-quiet mb-2 text-sm">
              Eleven questions with the main schools, and the numbers behind Match.
            </p>
            <Link href="/settings/house" className="btn btn-outline">
              House rules
            </Link>
          </section>
          <section className="sheet p-4" aria-labelledby="screen">
            <h2 id="screen" className="mb-1 font-bold">
              Wall screen
            </h2>
            <p className="text-quiet mb-2 text-sm">
              For a tablet beside the bars: touch a lift, see the bar. It shows nothing personal.
            </p>
            <Link href="/wall" className="btn btn-outline">
              Open the wall screen
            </Link>
          </section>
          {mayManagePeople && (
            <section className="sheet p-4" aria-labelledby="people">
              <h2 id="people" className="mb-1 font-bold">
                People and devices
              </h2>
              <p className="text-quiet mb-2 text-sm">
                Who can sign in and as what, tablets for the gym floor, tokens for programs.
              </p>
              <Link href="/settings/people" className="btn btn-outline">
                People and devices
              </Link>
            </section>
          )}
          {confirm}
          {backups}
          <section className="sheet p-4" aria-labelledby="keeping">
            <h2 id="keeping" className="mb-1 font-bold">
              How long records are kept
            </h2>
            <p className="text-quiet mb-3 text-sm">
              Carried out every night. Records of bars and care are kept for good.
            </p>
            {keeping}
          </section>
          <Fold title="Measuring and comparing" about="when a measured value is flagged, and what slack is noticeable">
            <div className="px-4 pb-4">
              <p className="text-quiet mb-3 text-sm">
                How far a measured value may lie from the stated one before it is flagged, and how much slack this gym
                calls noticeable.
              </p>
              {rules}
            </div>
          </Fold>
        </div>
      </div>
    </>
  );
}
