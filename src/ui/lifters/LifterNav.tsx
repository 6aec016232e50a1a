import { PagesNav } from "../kit/PagesNav";

/** What is kept of one lifter, and their log. */
export function LifterNav({ lifter, here }: { lifter: string; here: "profile" | "log" }) {
  const pages = [
    [`/lifters/${lifter}`, "Profile"],
    [`/lifters/${lifter}/log`, "Log and strength"],
  ] as const;
  return <PagesNav label="Lifter" pages={pages} here={pages[here === "profile" ? 0 : 1][0]} />;
}
