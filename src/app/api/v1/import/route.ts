import { readCsvFile } from "@/api/barFile";
import { readHallFile } from "@/api/hallFile";
import { ROUTES } from "@/api/routes";
import { importHall } from "@/server/transfer";
import { endpoint, refusalOf, refuse, type FileBody } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<{ dryRun: boolean; token?: string }, FileBody>(
  ROUTES.import,
  async ({ context, query, body }) => {
    const read = body.type === "text/csv" ? readCsvFile(body.text) : readJson(body.text);
    if (!read.ok) return refuse("bad-request", "Nothing was taken in.", read.problems);
    const result = await importHall(context, "file" in read ? read.file : { bars: read.rows }, {
      isDryRun: query.dryRun,
      token: query.token,
    });
    return result.ok ? { body: { ...result.report, token: result.token } } : refusalOf(result);
  },
);

function readJson(text: string) {
  try {
    return readHallFile(JSON.parse(text));
  } catch {
    return { ok: false as const, problems: [{ path: "", message: "the body is not JSON" }] };
  }
}
