"use client";

import { useId, useState, type ReactNode } from "react";

interface Props {
  /** What the button says on a telephone. */
  label: string;
  children: ReactNode;
  className?: string;
}

/** What is always there on a desk and behind one button on a telephone, so that the first thing of a screen is in sight. */
export function FoldOnPhone({ label, children, className = "" }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const id = useId();
  return (
    <>
      <button
        type="button"
        aria-expanded={isOpen}
        aria-controls={id}
        className="btn btn-outline md:hidden"
        onClick={() => setIsOpen(!isOpen)}
      >
        {label}
      </button>
      <div id={id} className={`${className} ${isOpen ? "" : "max-md:hidden"}`}>
        {children}
      </div>
    </>
  );
}
