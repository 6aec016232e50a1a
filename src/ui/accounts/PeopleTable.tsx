"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { OneTimeText } from "./OneTimeText";

export interface PersonRow {
  id: string;
  name: string;
  role: string;
  version: number;
  /** What they sign in with, or that nobody does. */
  signsIn: string;
  mayManage: boolean;
  hasAccount: boolean;
}

interface Props {
  rows: PersonRow[];
  /** Roles that whoever asks may give. */
  roles: readonly string[];
  roleAction: FormAction;
  linkAction: FormAction;
  removeAction: FormAction;
}

/** Everybody, with what they may; each row changes one person. */
export function PeopleTable({ rows, ...actions }: Props) {
  return (
    <ul className="divide-base-300 divide-y">
      {rows.map((row) => (
        <Person key={`${row.id} ${row.version}`} row={row} {...actions} />
      ))}
    </ul>
  );
}

function Person({ row, roles, roleAction, linkAction, removeAction }: { row: PersonRow } & Omit<Props, "rows">) {
  const [role, sendRole, isChanging] = useFormAction(roleAction);
  const [link, sendLink, isMaking] = useFormAction(linkAction);
  const [removal, sendRemoval, isRemoving] = useFormAction(removeAction);
  const version = role.version ?? removal.version ?? row.version;
  const hidden = (
    <>
      <input type="hidden" name="personId" value={row.id} />
      <input type="hidden" name="version" value={version} />
    </>
  );
  return (
    <li className="grid gap-2 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <div className="min-w-40 grow">
          <p className="font-semibold">{row.name}</p>
          <p className="text-quiet text-sm">{row.signsIn}</p>
        </div>
        {row.mayManage ? (
          <>
            <form action={sendRole} className="flex items-center gap-2">
              {hidden}
              <select
                name="role"
                aria-label={`Role of ${row.name}`}
                defaultValue={row.role}
                className="select w-32"
                onChange={({ currentTarget }) => currentTarget.form?.requestSubmit()}
                disabled={isChanging}
              >
                {roles.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </select>
            </form>
            <form action={sendLink}>
              {hidden}
              <button className="btn btn-outline" disabled={isMaking} aria-label={`New link for ${row.name}`}>
                New link
              </button>
            </form>
            <details className="relative">
              <summary className="btn btn-ghost list-none" aria-label={`Remove ${row.name}`}>
                Remove
              </summary>
              <form action={sendRemoval} className="sheet absolute right-0 z-10 grid w-64 gap-2 p-3 shadow-lg">
                {hidden}
                <p className="text-sm">
                  {row.name} is signed out everywhere at once. What they did stays under their name.
                </p>
                <button className="btn btn-error" disabled={isRemoving}>
                  Remove {row.name}
                </button>
              </form>
            </details>
          </>
        ) : (
          <p className="text-quiet">{row.role}</p>
        )}
      </div>
      <FormMessage state={role} />
      <FormMessage state={removal} />
      {link.status === "done" ? (
        <OneTimeText
          title={row.hasAccount ? `For a new passphrase of ${row.name}` : `Invitation of ${row.name}`}
          text={link.typed.address ?? ""}
          picture={link.typed.picture}
          about={link.message}
        />
      ) : (
        <FormMessage state={link} />
      )}
    </li>
  );
}
