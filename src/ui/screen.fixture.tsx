import type { ReactElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { vi } from "vitest";

// What Next gives a screen in the browser; a test that needs other answers mocks it itself.
vi.mock("next/navigation", () => ({
  useRouter: () => ({ push: () => {}, replace: () => {}, refresh: () => {}, prefetch: () => {} }),
  usePathname: () => "/",
  useSearchParams: () => new URLSearchParams(),
}));

/** A screen's first answer, as the server sends it: its markup, and the words that can be read in it. */
export interface Shown {
  html: string;
  text: string;
}

/** Renders a screen as the server does. Effects and touches are for the browser tests. */
export function shown(screen: ReactElement): Shown {
  const html = renderToStaticMarkup(screen);
  return { html, text: words(html) };
}

/** The part of a screen under a label: what is in the element with that aria-label. */
export function part({ html }: Shown, label: string): string {
  const at = html.indexOf(`aria-label="${label}"`);
  if (at < 0) throw new Error(`nothing is labelled ${label}`);
  const from = html.lastIndexOf("<", at);
  const name = /^<(\w+)/.exec(html.slice(from))![1]!;
  let depth = 0;
  for (const { 0: tag, index } of html.slice(from).matchAll(new RegExp(`<${name}[ >]|</${name}>`, "g"))) {
    depth += tag.startsWith("</") ? -1 : 1;
    if (depth === 0) return words(html.slice(from, from + index));
  }
  throw new Error(`${label} is not closed`);
}

function words(html: string): string {
  return html
    .replace(/<(script|style)[^>]*>.*?<\/\1>/gs, " ")
    .replace(/<[^>]+>/g, " ")
    .replace(/&amp;/g, "&")
    .replace(/&lt;/g, "<")
    .replace(/&gt;/g, ">")
    .replace(/&quot;/g, '"')
    .replace(/&#x27;/g, "'")
    .replace(/\s+/g, " ")
    .replace(/ ([.,;:])/g, "$1")
    .trim();
}

/** A form's action that is never sent in these tests. */
export const noAction = async () => ({ status: "fresh" as const, message: "", problems: [], typed: {} });
