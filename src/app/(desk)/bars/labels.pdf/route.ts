import { LABEL_KINDS, type LabelKind, MAX_LABELS } from "@/papers/labelKinds";
import { requestContext } from "@/server/access";
import { labelledBars } from "@/server/bars";
import { drawPaper } from "@/server/computing";

export async function GET(request: Request) {
  const context = await requestContext();
  const search = new URL(request.url).searchParams;
  const asked = search.get("kind") ?? "shelf";
  if (!LABEL_KINDS.includes(asked as LabelKind))
    return new Response(`kind: “${asked}” must be one of ${LABEL_KINDS.join(", ")}`, { status: 400 });
  const bars = await labelledBars(context, {
    family: search.get("family") ?? undefined,
    place: search.get("place") ?? undefined,
    tags: search.get("bars")?.split(",").filter(Boolean),
  });
  if (bars.length > MAX_LABELS)
    return new Response(`${bars.length} labels: at most ${MAX_LABELS} at once. Choose a family or a place.`, {
      status: 400,
    });
  const pdf = await drawPaper(context, "labels", asked as LabelKind, bars, "Labels");
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="labels-${asked}.pdf"` },
  });
}
