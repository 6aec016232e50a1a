"use client";

import { useState } from "react";
import { WRONG_KINDS, wrongText } from "@/core/care/wrong";
import { type Zone, ZONES } from "@/core/wear/zones";
import { ZonePicker } from "../kit/ZonePicker";
import { PhotoField, photoOf } from "../kit/PhotoField";

interface Props {
  tag: string;
  send: (note: string, photo: string | null, zone: Zone | null) => void;
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
        if (note === "") return setProblem("Choose what is wrong, or say it.");
        const photo = await photoOf(data);
        if (!photo.ok) return setProblem(photo.why);
        const zone = ZONES.find((one) => one === data.get("zone")) ?? null;
        send(note.slice(0, 500), photo.base64, zone);
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
      <ZonePicker name="zone" label="Where on the bar?" />
      <label className="grid gap-1 text-sm">
        More about it, if it helps
        <textarea name="note" rows={2} className="textarea w-full text-lg" aria-invalid={problem !== null} />
      </label>
      <PhotoField />
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
