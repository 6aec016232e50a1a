"use client";

import { OneTimeText } from "../accounts/OneTimeText";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  lifter: string;
  name: string;
  /** Who signs in as this lifter. */
  person: string | null;
  /** People with the role lifter who are nobody's yet. */
  free: readonly { id: string; name: string }[];
  mayInvite: boolean;
  linkAction: FormAction;
  inviteAction: FormAction;
}

/** Whether a lifter signs in and sees their own settings, cards and sets. */
export function SignInLink({ lifter, name, person, free, mayInvite, linkAction, inviteAction }: Props) {
  const [link, sendLink, isLinking] = useFormAction(linkAction);
  const [invited, sendInvite, isInviting] = useFormAction(inviteAction);
  return (
    <section className="sheet mt-3 grid max-w-2xl gap-3 p-4" aria-labelledby="signs-in">
      <h2 id="signs-in" className="font-bold">
        Signing in
      </h2>
      {person ? (
        <form action={sendLink} className="flex flex-wrap items-center gap-3">
          <input type="hidden" name="lifter" value={lifter} />
          <p>{person} sees these settings, cards and sets as their own.</p>
          <button className="btn btn-outline" disabled={isLinking}>
            Unlink
          </button>
        </form>
      ) : (
        <>
          <p className="text-quiet text-sm">
            Nobody signs in as {name}. They will see their own settings, cards, sets and next class, and nothing of
            others.
          </p>
          {free.length > 0 && (
            <form action={sendLink} className="flex flex-wrap items-center gap-2">
              <input type="hidden" name="lifter" value={lifter} />
              <select name="personId" aria-label="Person" className="select">
                {free.map(({ id, name: one }) => (
                  <option key={id} value={id}>
                    {one}
                  </option>
                ))}
              </select>
              <button className="btn btn-outline" disabled={isLinking}>
                Link
              </button>
            </form>
          )}
          {mayInvite && (
            <form action={sendInvite} className="flex flex-wrap items-end gap-2">
              <input type="hidden" name="lifter" value={lifter} />
              <label className="grid gap-1 text-sm">
                E-mail, if you like
                <input name="email" type="email" className="input" autoComplete="off" />
              </label>
              <button className="btn btn-neutral" disabled={isInviting}>
                Invite {name}
              </button>
            </form>
          )}
        </>
      )}
      <FormMessage state={link} />
      {invited.status === "done" ? (
        <OneTimeText
          title={`Invitation of ${name}`}
          text={invited.typed.address ?? ""}
          picture={invited.typed.picture}
          about={invited.message}
        />
      ) : (
        <FormMessage state={invited} />
      )}
    </section>
  );
}
