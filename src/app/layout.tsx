import type { Metadata, Viewport } from "next";
import localFont from "next/font/local";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { FollowLinks } from "@/ui/kit/FollowLinks";
import "./globals.css";

/** Asked for with the page itself, so that text stands in it from the first; letters beyond Latin come when they are needed. */
const archivo = localFont({
  src: "../../node_modules/@fontsource-variable/archivo/files/archivo-latin-standard-normal.woff2",
  weight: "100 900",
  declarations: [{ prop: "font-stretch", value: "62% 125%" }],
  variable: "--font-archivo",
  display: "swap",
  // globals.css has one of the same width.
  adjustFontFallback: false,
});

export const metadata: Metadata = {
  title: { default: "Garrison", template: "%s · Garrison" },
  description: "For the person who looks after the bars of a gym: measure, compare, match, load, care.",
};

export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get("theme")?.value;
  return (
    <html
      lang="en"
      className={archivo.variable}
      data-theme={theme === "paper" || theme === "night" ? theme : undefined}
    >
      <body>
        {children}
        <FollowLinks />
      </body>
    </html>
  );
}
