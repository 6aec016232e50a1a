import { svgText } from "@/core/drawing/svgText";
import { comparisonFor } from "@/server/comparison";
import { requestContext } from "@/server/access/session";
import { paperSheet } from "@/ui/compare/paperSheet";

const WIDTH_MM = 270;

export async function GET(request: Request) {
  const comparison = await comparisonFor(await requestContext(), Object.fromEntries(new URL(request.url).searchParams));
  return new Response(svgText(paperSheet(comparison), WIDTH_MM), {
    headers: { "content-type": "image/svg+xml; charset=utf-8" },
  });
}
