import { findingPhoto } from "@/server/care/findings";
import { requestContext } from "@/server/access";

/** The photo of a finding; its type is what its bytes were found to be, and a browser is told not to guess. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  const photo = await findingPhoto(await requestContext(), (await params).id);
  if (!photo) return new Response("There is no such photo.", { status: 404 });
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      "content-type": photo.type,
      "x-content-type-options": "nosniff",
      "content-security-policy": "default-src 'none'",
      "cache-control": "private, max-age=3600",
    },
  });
}
