/**
 * The ink of each bar of a comparison; each has its own dash too, so that colour is not alone. `paper` is the same ink
 * for files and prints, which know no theme.
 */
export const INKS = [
  { color: "var(--color-primary)", dash: "none", paper: "#0f6b78" },
  { color: "var(--color-secondary)", dash: "14 5", paper: "#a8502a" },
  { color: "var(--ink-third)", dash: "5 4", paper: "#6a4593" },
  { color: "var(--ink-fourth)", dash: "14 4 3 4", paper: "#56631a" },
  { color: "var(--ink-fifth)", dash: "2 4", paper: "#1f4f8f" },
  { color: "var(--ink-sixth)", dash: "10 3 2 3 2 3", paper: "#8a2f5f" },
] as const;
