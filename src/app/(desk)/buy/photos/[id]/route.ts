import { requestContext } from "@/server/access";
import { deliveryPhoto } from "@/server/buying";
import { photoAnswer } from "@/app/api/_http/photoAnswer";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return photoAnswer(await deliveryPhoto(await requestContext(), (await params).id));
}
