export const dynamic = "force-dynamic";

/** Answers while the process lives, whatever the database does. */
export function GET() {
  return Response.json({ ok: true }, { headers: { "cache-control": "no-store" } });
}
