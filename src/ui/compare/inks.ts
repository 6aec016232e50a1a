/**
 * The ink of each bar of a comparison; each has its own dash too, so that colour is not alone. `paper` is the same ink
 * for files and prints, which know no theme.
 */
export const INKS = [
  { color: "var(--color-primary)", dash: "none", paper: "#02757d" },
  { color: "var(--color-secondary)", dash: "14 5", paper: "#964c2c" },
  { color: "var(--ink-third)", dash: "5 4", paper: "#774dd3" },
  { color: "var(--ink-fourth)", dash: "14 4 3 4", paper: "#3a4210" },
  { color: "var(--ink-fifth)", dash: "2 4", paper: "#1332a2" },
  { color: "var(--ink-sixth)", dash: "10 3 2 3 2 3", paper: "#551a4a" },
] as const;
