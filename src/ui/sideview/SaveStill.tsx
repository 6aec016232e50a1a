"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { freshKey } from "../kit/freshKey";
import { asBase64, shrinkPhoto } from "../kit/shrinkPhoto";
import type { StillLifter } from "./stillProps";
import { type useStill } from "./useStill";

interface SaveProps {
  still: ReturnType<typeof useStill>;
  lifter: StillLifter;
  lift: string;
  tag: string | null;
  setting: string;
  loadKg: number | null;
  today: string;
}

/** Saving the marks for the lifter, with the picture only where somebody ticks it. */
export function SaveStill({ still, lifter, lift, tag, setting, loadKg, today }: SaveProps) {
  const router = useRouter();
  const [key, setKey] = useState(freshKey);
  const [withPicture, setWithPicture] = useState(false);
  const [isSaving, setSaving] = useState(false);
  const [said, setSaid] = useState<{ ok: boolean; text: string } | null>(null);
  const { marks, picture, reading } = still;
  const save = async () => {
    if (!marks || loadKg === null) return;
    setSaving(true);
    try {
      const photo = withPicture && picture?.file ? await asBase64(await shrinkPhoto(picture.file)) : null;
      const response = await fetch("/match/balance/still/save", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({
          ...{ key, lifter: lifter.key, tag, lift, setting, loadKg },
          takenOn: today,
          marks,
          photo,
        }),
      });
      const answer = (await response.json()) as { error?: { message: string; details?: { message: string }[] } };
      const why = answer.error?.details?.map(({ message }) => message).join(" ") || answer.error?.message;
      setSaid({ ok: response.ok, text: response.ok ? `Saved for ${lifter.name}.` : (why ?? "Not saved. Try again.") });
      if (response.ok) {
        setKey(freshKey());
        router.refresh();
      }
    } catch {
      setSaid({ ok: false, text: "Not saved: no answer. The marks are still here; try again." });
    } finally {
      setSaving(false);
    }
  };
  return (
    <div className="border-base-300 grid gap-2 border-t pt-2 text-sm">
      {picture?.file && (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={withPicture}
            onChange={({ target }) => setWithPicture(target.checked)}
          />
          save the picture too; {lifter.name} agreed
        </label>
      )}
      <button
        type="button"
        className="btn btn-neutral justify-self-start"
        disabled={isSaving || !reading || loadKg === null}
        onClick={() => void save()}
      >
        {isSaving ? "Saving …" : `Save for ${lifter.name}`}
      </button>
      {said && (
        <p role="status" className={said.ok ? "" : "text-error font-semibold"}>
          {said.text}
        </p>
      )}
    </div>
  );
}
