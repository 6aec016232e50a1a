import { version } from "../../../package.json";

export const dynamic = "force-dynamic";

/** Answers while the process lives, whatever the database does. */
export function GET() {
  return Response.json({ ok: true, version }, { headers: { "cache-control": "no-store" } });
}
