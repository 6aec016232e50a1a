import { answered } from "@/app/api/_http/touched";
import { runOf } from "@/server/loading";
import { requestContext } from "@/server/access";

/** The run as it is now, for tablets that ask every few seconds; only that nothing changed while their stamp holds. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const result = await runOf(await requestContext(), (await params).id);
  if (!result.ok) return answered(result);
  const { view } = result;
  const isKnown = new URL(request.url).searchParams.get("stamp") === view.stamp;
  return answered({ ok: true, view: isKnown ? null : view });
}
