import { photoAnswer } from "@/app/api/_http/photoAnswer";
import { requestContext } from "@/server/access";
import { sideViewPhoto } from "@/server/sideview";

/** The picture of a saved still, for coaches. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return photoAnswer(await sideViewPhoto(await requestContext(), (await params).id));
}
