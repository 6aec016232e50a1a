import "server-only";

/** A photo, of the type that its bytes were found to be; a browser is told not to guess. */
export function photoAnswer(photo: { bytes: Buffer; type: string } | null, cache = "private, max-age=3600"): Response {
  if (!photo) return new Response("There is no such photo.", { status: 404 });
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      "content-type": photo.type,
      "x-content-type-options": "nosniff",
      "content-security-policy": "default-src 'none'",
      "cache-control": cache,
    },
  });
}
