import { dimensionedSheet } from "@/core/drawing/dimensionedSheet";
import { svgText } from "@/core/drawing/svgText";
import { barDetails } from "@/server/bars";
import { requestContext } from "@/server/access";

/** Width on paper: the long side of an A4 sheet less its margins. */
const WIDTH_MM = 270;

export async function GET(_request: Request, { params }: { params: Promise<{ tag: string }> }) {
  const { tag } = await params;
  const details = await barDetails(await requestContext(), tag);
  if (!details) return new Response("There is no such bar.\n", { status: 404 });
  return new Response(svgText(dimensionedSheet(details.bar), WIDTH_MM), {
    headers: { "content-type": "image/svg+xml; charset=utf-8" },
  });
}
