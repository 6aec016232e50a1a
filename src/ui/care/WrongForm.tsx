"use client";

import { useState } from "react";
import { WRONG_KINDS, wrongText } from "@/core/care/wrong";
import { asBase64, shrinkPhoto } from "../kit/shrinkPhoto";

const MAX_PHOTO_BYTES = 5 * 1024 * 1024;

interface Props {
  tag: string;
  send: (note: string, photo: string | null) => void;
  back: () => void;
}

/** What is wrong with a bar, in words and perhaps a photo. */
export function WrongForm({ tag, send, back }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <form
      className="grid gap-2"
      onSubmit={async (event) => {
        event.preventDefault();
        const data = new FormData(event.currentTarget);
        const note = wrongText(String(data.get("kind") ?? ""), String(data.get("note") ?? ""));
        const file = data.get("photo");
        if (note === "") return setProblem("Choose what is wrong, or say it.");
        const photo = file instanceof File && file.size > 0 ? await shrinkPhoto(file) : null;
        if (photo && photo.size > MAX_PHOTO_BYTES) return setProblem("A photo may have 5 MiB at most.");
        send(note.slice(0, 500), photo && (await asBase64(photo)));
      }}
    >
      <fieldset className="grid gap-2">
        <legend className="font-semibold">What is wrong with {tag}?</legend>
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
          {WRONG_KINDS.map((kind) => (
            <label
              key={kind}
              className="border-base-300 has-checked:border-primary has-checked:bg-primary/10 flex min-h-14 items-center gap-2 border px-3"
            >
              <input type="radio" name="kind" value={kind} className="radio radio-sm" />
              {kind}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="grid gap-1 text-sm">
        More about it, if it helps
        <textarea name="note" rows={2} className="textarea w-full text-lg" aria-invalid={problem !== null} />
      </label>
      <label className="grid gap-1 text-sm">
        A photo, if it helps
        <input
          type="file"
          name="photo"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          className="file-input w-full"
        />
      </label>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <button type="submit" className="btn btn-neutral min-h-14">
          Save
        </button>
        <button type="button" className="btn btn-ghost min-h-14" onClick={back}>
          Back
        </button>
      </div>
    </form>
  );
}
