import "server-only";
import { type BarRecord, readBarRecord } from "@/core/bars/barRecord";
import type { Problem } from "@/core/problem";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { tagsInUse } from "./barRows";
import { insertBars } from "./insertBars";

const MAX_AT_ONCE = 50;

/**
 * Enters bars: one spec and a tag for each of them, all or none. `texts` are the fields as `readBarRecord` reads them;
 * its tag is ignored.
 */
export async function enterBars(
  context: Context,
  texts: Record<string, string>,
  tags: readonly string[],
): Promise<Outcome<{ tags: string[] }>> {
  if (!may(context, "bar.edit")) return forbidden("enter bars");
  const problems: Problem[] = [];
  if (tags.length === 0) problems.push({ path: "tag", message: "tag: must be given" });
  if (tags.length > MAX_AT_ONCE) problems.push({ path: "tag", message: `tag: at most ${MAX_AT_ONCE} at once` });
  if (new Set(tags).size < tags.length) problems.push({ path: "tag", message: "tag: the same tag twice" });
  const records: BarRecord[] = [];
  for (const tag of tags.length === 0 ? ["–"] : tags.slice(0, MAX_AT_ONCE)) {
    const read = readBarRecord({ ...texts, tag });
    if (read.ok) records.push(read.record);
    else
      for (const problem of read.problems)
        if (!problems.some(({ path, message }) => path === problem.path && message === problem.message))
          problems.push(problem);
  }
  if (problems.length > 0) return failed("invalid", "Nothing added.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const taken = await tagsInUse(hall, tags);
    if (taken.length > 0)
      return failed("invalid", "Nothing added.", [
        { path: "tag", message: `${taken.join(", ")} hangs on the wall already; take another tag` },
      ]);
    await insertBars(
      context,
      records.map((record) => ({ record })),
    );
    return { ok: true, tags: [...tags] };
  });
}
