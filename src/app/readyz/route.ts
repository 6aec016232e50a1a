import { isReady } from "@/server/access";

export const dynamic = "force-dynamic";

/** Answers 200 when the database answers; a proxy sends nobody here until it does. */
export async function GET() {
  const ok = await isReady();
  return Response.json(
    { ok },
    { status: ok ? 200 : 503, headers: { "cache-control": "no-store", ...(ok ? {} : { "retry-after": "5" }) } },
  );
}
