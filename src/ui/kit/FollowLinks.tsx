"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";

/** Follows every `Link` of the page within the page that is loaded; once, in the outermost layout. */
export function FollowLinks() {
  const router = useRouter();
  useEffect(() => {
    function follow(event: MouseEvent) {
      // Somebody else has seen to it, or wants a tab or window of its own.
      if (event.defaultPrevented || event.button !== 0) return;
      if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      const link = event.target instanceof Element ? event.target.closest<HTMLAnchorElement>("a[data-follow]") : null;
      if (!link || (link.target && link.target !== "_self") || link.hasAttribute("download")) return;
      const to = new URL(link.href);
      if (to.origin !== window.location.origin) return;
      event.preventDefault();
      const options = { scroll: link.dataset.stay === undefined };
      const address = to.pathname + to.search + to.hash;
      if (link.dataset.follow === "replace") router.replace(address, options);
      else router.push(address, options);
    }
    // After React's own listeners, which are the document's.
    window.addEventListener("click", follow);
    return () => window.removeEventListener("click", follow);
  }, [router]);
  return null;
}
