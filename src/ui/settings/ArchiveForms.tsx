"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { PassphraseField } from "../doors/SecretFields";
import { FormMessage } from "../kit/FormParts";
import { FRESH, type FormState } from "../kit/formState";

const refused = (message: string): FormState => ({ ...FRESH, status: "refused", message });

interface Refusal {
  error?: { message: string; details?: { message: string }[] };
}
const wordsOf = ({ error }: Refusal) =>
  [error?.message, ...(error?.details ?? []).map(({ message }) => message)].filter(Boolean).join(" ") ||
  "That did not work. Try again.";

/** Downloads the hall's archive, sealed with a passphrase of its own. */
export function TakeArchiveForm() {
  const [state, setState] = useState<FormState>(FRESH);
  const [isBusy, setBusy] = useState(false);
  return (
    <form
      className="grid gap-2"
      onSubmit={async (event) => {
        event.preventDefault();
        const passphrase = String(new FormData(event.currentTarget).get("passphrase") ?? "");
        setBusy(true);
        try {
          const response = await fetch("/settings/archive/take", {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify({ passphrase }),
          });
          if (!response.ok) setState(refused(wordsOf((await response.json()) as Refusal)));
          else {
            const name =
              /filename="([^"]+)"/.exec(response.headers.get("content-disposition") ?? "")?.[1] ?? "gym.garrison";
            const link = document.createElement("a");
            link.href = URL.createObjectURL(await response.blob());
            link.download = name;
            link.click();
            URL.revokeObjectURL(link.href);
            setState({
              ...FRESH,
              status: "done",
              message: `${name} is in your downloads. Keep its passphrase apart from it.`,
            });
          }
        } catch {
          setState(refused("There was no answer. Try again."));
        }
        setBusy(false);
      }}
    >
      <PassphraseField state={state} label="Passphrase for the file" isNew />
      <button className="btn btn-outline justify-self-start" disabled={isBusy}>
        Download archive
      </button>
      <FormMessage state={state} />
    </form>
  );
}

/** Restores an archive into an empty gym. */
export function RestoreArchiveForm() {
  const router = useRouter();
  const [state, setState] = useState<FormState>(FRESH);
  const [isBusy, setBusy] = useState(false);
  return (
    <form
      className="grid gap-2"
      onSubmit={async (event) => {
        event.preventDefault();
        const data = new FormData(event.currentTarget);
        const file = data.get("file");
        if (!(file instanceof File) || file.size === 0) return setState(refused("Choose the archive."));
        const words = new TextEncoder().encode(String(data.get("passphrase") ?? ""));
        const passphrase = btoa(String.fromCharCode(...words))
          .replace(/\+/g, "-")
          .replace(/\//g, "_")
          .replace(/=+$/, "");
        setBusy(true);
        try {
          const response = await fetch("/settings/archive/restore", {
            method: "POST",
            headers: { "content-type": "application/octet-stream", "x-archive-passphrase": passphrase },
            body: file,
          });
          const answer = (await response.json()) as Refusal & { from?: string; added?: number };
          if (!response.ok) setState(refused(wordsOf(answer)));
          else router.push("/bars");
        } catch {
          setState(refused("There was no answer. Try again."));
        }
        setBusy(false);
      }}
    >
      <label className="grid gap-1 text-sm font-semibold">
        Archive
        <input type="file" name="file" accept=".garrison" className="file-input w-full" />
      </label>
      <PassphraseField state={state} label="Its passphrase" />
      <button className="btn btn-outline justify-self-start" disabled={isBusy}>
        Restore
      </button>
      <FormMessage state={state} />
    </form>
  );
}
