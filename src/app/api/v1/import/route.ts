import { ROUTES } from "@/api/routes";
import { readFileInThread } from "@/app/api/_http/readFile";
import { doorstepOfProgram } from "@/server/access";
import { secondsUntilAllowed, waitWords } from "@/server/accounts";
import { importHall } from "@/server/transfer";
import { endpoint, refusalOf, refuse, type FileBody } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<{ dryRun: boolean; token?: string }, FileBody>(
  ROUTES.import,
  async ({ context, query, body }) => {
    const wait = await secondsUntilAllowed(doorstepOfProgram().db, "upload", context.actor.hallId);
    if (wait !== null) return refuse("too-many-requests", waitWords(wait));
    const read = await readFileInThread(context, body.type === "text/csv" ? "csv" : "json", body.bytes);
    if (!read.ok) return refuse("bad-request", "Nothing imported.", read.problems);
    const result = await importHall(context, read.file, { isDryRun: query.dryRun, token: query.token });
    return result.ok ? { body: { ...result.report, token: result.token } } : refusalOf(result);
  },
  { needs: { action: "hall.import", words: "import files" } },
);
