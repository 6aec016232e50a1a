"use client";

import { useEffect, useRef } from "react";
import { balanceParams, type BalanceState } from "@/core/balance/balanceState";

const WRITE_AFTER_MS = 250;

/**
 * Keeps the address in step, so that a link shows the same thing; not on every tick of a slider. Nothing is written
 * before somebody moves something: it would call back whoever just followed a link from here.
 */
export function useAddress(state: BalanceState, start: BalanceState) {
  const first = useRef(start);
  useEffect(() => {
    if (state === first.current) return;
    const timer = setTimeout(() => {
      const params = new URLSearchParams(balanceParams(state)).toString();
      window.history.replaceState(null, "", params ? `?${params}` : window.location.pathname);
    }, WRITE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [state]);
}
