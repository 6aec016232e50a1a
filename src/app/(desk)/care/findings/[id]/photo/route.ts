import { photoAnswer } from "@/app/api/_http/photoAnswer";
import { requestContext } from "@/server/access";
import { findingPhoto } from "@/server/care/findings";

/** The photo of a finding. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return photoAnswer(await findingPhoto(await requestContext(), (await params).id));
}
