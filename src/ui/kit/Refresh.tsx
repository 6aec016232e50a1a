"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";

/** Looks again every so often, for a screen that nobody touches. */
export function Refresh({ seconds }: { seconds: number }) {
  const router = useRouter();
  useEffect(() => {
    const timer = setInterval(() => router.refresh(), seconds * 1000);
    return () => clearInterval(timer);
  }, [router, seconds]);
  return null;
}
