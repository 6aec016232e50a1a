import "server-only";
import type { Problem } from "@/core/problem";
import { bars } from "@/data/schema";
import { type Context, isConfirmed, may } from "@/server/access";
import { CONFIRM_FIRST, noteAccount } from "@/server/accounts";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { exportHall, importHall } from "./hallFile";
import type { IncomingHall } from "./part";
import { openFile, sealFile } from "./sealedFile";

/** An archive's own passphrase is chosen for it; it opens nothing else. */
const MIN_PASSPHRASE = 12;
/** What an archive unfolds to at most. */
const MAX_TEXT_BYTES = 256 * 1024 * 1024;

/**
 * The owner's own hall as one sealed file, health words included: bars, equipment, lifts, lifters, care, rules and air.
 * Accounts, tablets, tokens, photos and what other halls of this server hold are not in it.
 */
export async function takeArchive(
  context: Context,
  { passphrase, version }: { passphrase: string; version: string },
): Promise<Outcome<{ bytes: Buffer; name: string }>> {
  if (!may(context, "hall.archive")) return forbidden("download the gym’s archive");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  if (passphrase.length < MIN_PASSPHRASE || passphrase.length > 200)
    return failed("invalid", "No archive was made.", [
      {
        path: "passphrase",
        message: `Passphrase: ${MIN_PASSPHRASE} to 200 characters. Without it nobody opens the file.`,
      },
    ]);
  const file = await exportHall(context, { health: true });
  if (!file.ok) return file;
  const { actor, clock } = context;
  const text = JSON.stringify({ format: "garrison", version: 1, hall: actor.hallName, ...file.file });
  const header = { version, hall: actor.hallName, madeAt: clock.now().toISOString() };
  const bytes = await sealFile(passphrase, header, text);
  await noteAccount(context, "archive-taken", `${bytes.length} bytes`);
  const word =
    actor.hallName
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "") || "gym";
  return { ok: true, bytes, name: `${word}-${clock.today}.garrison` };
}

const WHY = {
  "no-archive": "This is no archive of Garrison.",
  newer: "A newer version of Garrison made this archive. Update first.",
  passphrase: "The passphrase does not open it, or the file is damaged.",
};

/** 1 when the first version is later, -1 when it is earlier; by numbers. */
function compareVersions(one: string, other: string): number {
  const [a, b] = [one, other].map((text) => text.split(".").map(Number));
  for (let i = 0; i < 3; i += 1) if ((a![i] || 0) !== (b![i] || 0)) return (a![i] || 0) > (b![i] || 0) ? 1 : -1;
  return 0;
}

/**
 * Takes an archive into a hall that has no bars yet, all of it or nothing.
 *
 * @param options.read reads the file's text as every other file of a hall is read.
 */
export async function restoreArchive(
  context: Context,
  bytes: Buffer,
  options: {
    passphrase: string;
    version: string;
    read: (text: string) => Promise<{ ok: true; file: IncomingHall } | { ok: false; problems: Problem[] }>;
  },
): Promise<Outcome<{ from: string; madeAt: string; added: number }>> {
  if (!may(context, "hall.archive")) return forbidden("restore an archive");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  if (await context.hall.first(bars))
    return failed("impossible", "There are bars here already. An archive is restored into an empty gym only.");
  const opened = await openFile(options.passphrase, bytes, MAX_TEXT_BYTES);
  if (!opened.ok) return failed("invalid", WHY[opened.why], [{ path: "file", message: WHY[opened.why] }]);
  const { header, text } = opened;
  if (compareVersions(header.version, options.version) > 0) return failed("impossible", WHY.newer);
  const read = await options.read(text);
  if (!read.ok) return failed("invalid", "Nothing was restored.", read.problems);
  const done = await importHall(context, read.file, { isDryRun: false });
  if (!done.ok) return done;
  await noteAccount(context, "archive-restored", `${header.hall}, ${header.madeAt}`);
  return { ok: true, from: header.hall, madeAt: header.madeAt, added: done.report.added };
}
