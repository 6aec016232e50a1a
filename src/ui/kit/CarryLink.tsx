"use client";

import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { carriedHref, latestParams } from "./intent";
import Link from "./Link";

interface Props {
  /** Where it leads as the page stands. */
  href: string;
  /** Parameter of the target → parameter of this page, for what somebody may have changed a moment ago. */
  carry: Record<string, string>;
  className?: string;
  children: ReactNode;
}

/** Leads on with what this page is being asked, even when its answer has not come yet. */
export function CarryLink({ href, carry, className, children }: Props) {
  const router = useRouter();
  return (
    <Link
      href={href}
      className={className}
      onClick={(event) => {
        if (event.metaKey || event.ctrlKey || event.shiftKey) return;
        event.preventDefault();
        router.push(carriedHref(href, latestParams(), carry));
      }}
    >
      {children}
    </Link>
  );
}
