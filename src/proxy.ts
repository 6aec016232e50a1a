import { NextResponse, type NextRequest } from "next/server";

// A body that goes through here is kept in memory and cut at 10 MB, in silence: files do not.
export const config = { matcher: "/((?!_next/|api/v1/import$|bars/files/import$).*)" };

/** Next answers a malformed percent escape in a path with a 500 in plain text; here it is a bad request like any other. */
export function proxy(request: NextRequest) {
  const { pathname } = new URL(request.url);
  try {
    decodeURIComponent(pathname);
    return NextResponse.next();
  } catch {
    const message = "The address has a percent sign that is not followed by a valid escape.";
    if (!pathname.startsWith("/api")) return new NextResponse(message, { status: 400 });
    return NextResponse.json({ error: { code: "bad-request", message, details: [] } }, { status: 400 });
  }
}
