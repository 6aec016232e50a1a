"use client";

import { usePathname, useSearchParams } from "next/navigation";
import { useEffect } from "react";
import { arrived, forgetIntent } from "./intent";

/** Notes where the tab arrived, so that changes no longer start from where it was going. */
export function Arrival() {
  const path = usePathname();
  const params = useSearchParams();
  useEffect(() => arrived(window.location.href), [path, params]);
  useEffect(() => {
    window.addEventListener("popstate", forgetIntent);
    return () => window.removeEventListener("popstate", forgetIntent);
  }, []);
  return null;
}
