/** Sections in working order, with the letter that follows `g`. */
export const SECTIONS = [
  { key: "today", name: "Today", href: "/", letter: "t" },
  { key: "bars", name: "Bars", href: "/bars", letter: "b" },
  { key: "compare", name: "Compare", href: "/compare", letter: "c" },
  { key: "match", name: "Match", href: "/match", letter: "m" },
  { key: "setups", name: "Setups", href: "/setups", letter: "u" },
  { key: "load", name: "Load", href: "/load", letter: "l" },
  { key: "classes", name: "Classes", href: "/classes", letter: "e" },
  { key: "care", name: "Care", href: "/care", letter: "a" },
  { key: "lifters", name: "Lifters", href: "/lifters", letter: "i" },
  { key: "logbook", name: "Logbook", href: "/logbook", letter: "o" },
  { key: "buy", name: "Buy", href: "/buy", letter: "y" },
  { key: "help", name: "Help", href: "/help", letter: "h" },
  { key: "settings", name: "Settings", href: "/settings", letter: "s" },
] as const;
