"use client";

import { Maximize2, X } from "lucide-react";
import { useRef, useState, type ReactNode } from "react";

/** Shows one thing on the whole screen, to be read from across the room; Escape or the button ends it. */
export function FillScreen({ label, children }: { label: string; children: ReactNode }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="btn btn-outline btn-sm no-print"
        onClick={() => {
          setIsOpen(true);
          dialog.current?.showModal();
        }}
      >
        <Maximize2 aria-hidden="true" className="size-4" />
        Full screen
      </button>
      <dialog
        ref={dialog}
        onClose={() => setIsOpen(false)}
        aria-label={label}
        className="bg-base-100 text-base-content m-0 h-dvh max-h-none w-dvw max-w-none p-4 sm:p-8"
      >
        <form method="dialog" className="absolute top-3 right-3">
          <button className="btn btn-outline min-h-12">
            <X aria-hidden="true" className="size-5" />
            Close
          </button>
        </form>
        {isOpen && children}
      </dialog>
    </>
  );
}
