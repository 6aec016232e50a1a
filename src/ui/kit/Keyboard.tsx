"use client";

import Link from "./Link";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { SECTIONS } from "./sections";

/** How long after `g` a letter still counts as a section. */
const CHORD_MS = 1500;

/** Keys of the whole product: `/` search, `?` help, `g` and a letter for a section. */
export function Keyboard() {
  const router = useRouter();
  const gAt = useRef(0);
  const dialog = useRef<HTMLDialogElement>(null);
  const [isOpen, setIsOpen] = useState(false);

  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (event.key === "?") setIsOpen(true);
      else if (event.key === "/") {
        const search = document.querySelector<HTMLInputElement>("[data-search]");
        if (search) search.focus();
        else router.push("/bars?focus=search");
      } else if (event.key === "g") gAt.current = event.timeStamp;
      else {
        const section = SECTIONS.find(({ letter }) => letter === event.key);
        if (!section || event.timeStamp - gAt.current > CHORD_MS) return;
        gAt.current = 0;
        router.push(section.href);
      }
      if (event.key === "/" || event.key === "?") event.preventDefault();
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [router]);

  useEffect(() => {
    if (isOpen) dialog.current?.showModal();
  }, [isOpen]);

  return (
    <dialog ref={dialog} className="modal" aria-label="Keys" onClose={() => setIsOpen(false)}>
      {isOpen && <Keys />}
    </dialog>
  );
}

function Keys() {
  return (
    <div className="modal-box max-w-md">
      <h2 className="mb-3 text-lg font-bold">Keys</h2>
      <KeyList />
      <p className="mt-3 text-sm">
        <Link href="/help" className="link">
          Help and the words of the trade
        </Link>
      </p>
      <form method="dialog" className="mt-4 text-right">
        <button className="btn btn-sm">Close</button>
      </form>
    </div>
  );
}

/** Every key and what it does. */
export function KeyList() {
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
      {[
        ["/", "search bars"],
        ["↑ ↓", "move along the wall"],
        ["c", "on a bar: put it in the comparison, or take it out"],
        ["Enter", "open the bar"],
        ["k", "show lb and inches, or kg and mm, for a moment"],
        ...SECTIONS.map(({ letter, name }) => [`g ${letter}`, name]),
        ["?", "this list"],
      ].map(([key, what]) => (
        <div key={key} className="contents">
          <dt>
            <kbd className="kbd kbd-sm">{key}</kbd>
          </dt>
          <dd>{what}</dd>
        </div>
      ))}
    </dl>
  );
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.closest("input, select, textarea, [contenteditable]") !== null;
}
