import { calendarOfToken } from "@/server/care/rounds";

/** Rounds for calendar programs, at a secret address that can be taken back; who has it needs nothing else. */
export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }) {
  const text = await calendarOfToken((await params).token.replace(/\.ics$/, ""));
  if (text === null) return new Response("There is no such calendar.", { status: 404 });
  return new Response(text, {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "cache-control": "private, max-age=60",
      "referrer-policy": "no-referrer",
    },
  });
}
