"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";

/** Goes back to the start when nobody touches it for a while. */
export function useReturn(isOn: boolean, seconds: number) {
  const router = useRouter();
  useEffect(() => {
    if (!isOn) return;
    let timer = setTimeout(leave, seconds * 1000);
    function leave() {
      router.replace("/wall");
    }
    function again() {
      clearTimeout(timer);
      timer = setTimeout(leave, seconds * 1000);
    }
    window.addEventListener("pointerdown", again);
    window.addEventListener("keydown", again);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("pointerdown", again);
      window.removeEventListener("keydown", again);
    };
  }, [isOn, seconds, router]);
}
