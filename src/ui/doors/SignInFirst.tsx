"use client";

import { useEffect } from "react";
import { DoorSheet } from "./DoorSheet";

/** Leads to the sign-in page, and from there back to what was asked for. */
export function SignInFirst() {
  useEffect(() => {
    const { pathname, search } = window.location;
    window.location.replace(`/sign-in?to=${encodeURIComponent(pathname + search)}`);
  }, []);
  return (
    <DoorSheet title="Sign in first">
      <a href="/sign-in" className="btn btn-primary">
        Sign in
      </a>
    </DoorSheet>
  );
}
