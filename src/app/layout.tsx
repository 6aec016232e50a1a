import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { FollowLinks } from "@/ui/kit/FollowLinks";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Garrison", template: "%s · Garrison" },
  description: "For the person who looks after the bars of a gym: measure, compare, match, load, care.",
};

export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get("theme")?.value;
  return (
    <html lang="en" data-theme={theme === "paper" || theme === "night" ? theme : undefined}>
      <body>
        {children}
        <FollowLinks />
      </body>
    </html>
  );
}
