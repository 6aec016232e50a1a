import Link from "./Link";

/** The stencilled tag of a bar, as a link to its page. */
export function BarTag({ tag, href, className }: { tag: string; href?: string; className?: string }) {
  return (
    <Link href={href ?? `/bars/${encodeURIComponent(tag)}`} className={`bar-tag hover:bg-base-200 ${className ?? ""}`}>
      {tag}
    </Link>
  );
}
