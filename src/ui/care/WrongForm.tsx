"use client";

import { useState } from "react";
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
        const note = String(data.get("note") ?? "").trim();
        const file = data.get("photo");
        if (note === "") return setProblem("Say what is wrong.");
        const photo = file instanceof File && file.size > 0 ? await shrinkPhoto(file) : null;
        if (photo && photo.size > MAX_PHOTO_BYTES) return setProblem("A photo may have 5 MiB at most.");
        send(note.slice(0, 500), photo && (await asBase64(photo)));
      }}
    >
      <label className="grid gap-1 font-semibold">
        What is wrong with {tag}?
        <textarea name="note" rows={3} className="textarea w-full text-lg" autoFocus aria-invalid={problem !== null} />
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
          Keep it
        </button>
        <button type="button" className="btn btn-ghost min-h-14" onClick={back}>
          Back
        </button>
      </div>
    </form>
  );
}
