"use client";

import { useEffect } from "react";

/** On the wall: arrows move from bar to bar, `c` puts the bar in the comparison or takes it out. */
export function WallKeys() {
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target as HTMLElement;
      if (target.closest("input, select, textarea, dialog")) return;
      const rows = [...document.querySelectorAll<HTMLElement>("[data-row]")];
      const current = target.closest("tr")?.querySelector<HTMLElement>("[data-row]");
      const at = current ? rows.indexOf(current) : -1;
      if (event.key === "ArrowDown" || event.key === "ArrowUp") {
        const next = event.key === "ArrowDown" ? at + 1 : at < 0 ? rows.length - 1 : at - 1;
        rows[Math.max(0, Math.min(rows.length - 1, next))]?.focus();
        event.preventDefault();
      } else if (event.key === "c" && current) {
        document.querySelector<HTMLElement>(`[data-pick="${CSS.escape(current.dataset.row!)}"]`)?.click();
      }
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return null;
}
