import type { ComponentProps } from "react";

interface Props extends ComponentProps<"a"> {
  href: string;
  /** The page takes the place of this one in the history. */
  replace?: boolean;
  /** False where the page stays where it is. */
  scroll?: boolean;
}

/**
 * A link to a page of ours: an anchor, which `FollowLinks` follows without loading the whole page anew, and which works
 * before that listens. It fetches its page when it is followed, not when it is seen. A wall of bars has a hundred of
 * them, so they cost the server no more than their markup.
 */
export default function Link({ href, replace, scroll, ...rest }: Props) {
  return (
    <a href={href} data-follow={replace ? "replace" : "push"} data-stay={scroll === false ? "" : undefined} {...rest} />
  );
}
