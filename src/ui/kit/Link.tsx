import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A link that fetches its page when it is followed, not when it is seen: a wall of bars has a hundred links,
 * and every page is made anew from the database.
 */
export default function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
