import { photoAnswer } from "@/app/api/_http/photoAnswer";
import { requestContext } from "@/server/access";
import { incidentPhoto } from "@/server/care/findings";

/** The photo of an incident, for the manager. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return photoAnswer(await incidentPhoto(await requestContext(), (await params).id), "private, no-store");
}
