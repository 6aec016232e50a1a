import { sentTouch } from "@/api/runTouch";
import { touched } from "@/app/api/_http/touched";
import { touchRun } from "@/server/loading";

/** One touch of a tablet; sent again with the same key it counts once. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return touched(request, sentTouch, (context, touch) => touchRun(context, id, touch));
}
