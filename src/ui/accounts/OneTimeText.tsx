"use client";

import { useState } from "react";

/** Something that is shown once: an address with its code to scan, a token, digits. */
export function OneTimeText({
  title,
  text,
  picture,
  about,
}: {
  title: string;
  text: string;
  picture?: string;
  about: string;
}) {
  const [isCopied, setCopied] = useState(false);
  return (
    <div role="status" className="border-primary grid gap-2 border-l-4 pl-3">
      <p className="font-semibold">{title}</p>
      {picture && (
        // A picture made of the address, by ourselves, on this page only.
        // eslint-disable-next-line @next/next/no-img-element
        <img src={picture} alt="Code to scan with a telephone" width={176} height={176} className="bg-white p-2" />
      )}
      <div className="flex flex-wrap items-center gap-2">
        <code className="bg-base-200 px-2 py-1 break-all">{text}</code>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            void navigator.clipboard?.writeText(text).then(
              () => setCopied(true),
              () => setCopied(false),
            )
          }
        >
          {isCopied ? "Copied" : "Copy"}
        </button>
      </div>
      <p className="text-quiet text-sm">{about}</p>
    </div>
  );
}
