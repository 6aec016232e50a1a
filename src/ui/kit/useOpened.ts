"use client";

import { useCallback, useRef, useState, type SyntheticEvent } from "react";

/**
 * A part that folds away and is drawn only once it is open. It counts as open also where somebody opened it before this
 * script listened: on a slow line a touch must not be lost.
 *
 * @param initially whether it stands open from the start
 * @param isMeant whether the address means it, asked once in the browser
 * @returns whether it is open, and what the `details` element takes
 */
export function useOpened(initially = false, isMeant?: () => boolean) {
  const [isOpen, setOpen] = useState(initially);
  const isWanted = useRef(isMeant);
  const ref = useCallback((element: HTMLDetailsElement | null) => {
    if (element && (element.open || isWanted.current?.())) setOpen(true);
  }, []);
  const onToggle = useCallback(
    ({ currentTarget }: SyntheticEvent<HTMLDetailsElement>) => setOpen(currentTarget.open),
    [],
  );
  return { isOpen, fold: { ref, onToggle, open: isOpen } };
}
