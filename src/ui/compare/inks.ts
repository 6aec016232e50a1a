/** The ink of the first, second, third and fourth bar; each has its own dash too, so that colour is not alone. */
export const INKS = [
  { color: "var(--color-primary)", dash: "none" },
  { color: "var(--color-secondary)", dash: "14 5" },
  { color: "var(--ink-third)", dash: "5 4" },
  { color: "var(--ink-fourth)", dash: "14 4 3 4" },
] as const;
