import { svgText } from "@/core/drawing/svgText";
import { comparisonFor } from "@/server/compare";
import { requestContext } from "@/server/access";
import { paperSheet } from "@/ui/compare/paperSheet";

const WIDTH_MM = 270;

export async function GET(request: Request) {
  const comparison = await comparisonFor(await requestContext(), Object.fromEntries(new URL(request.url).searchParams));
  return new Response(svgText(paperSheet(comparison), WIDTH_MM), {
    headers: { "content-type": "image/svg+xml; charset=utf-8" },
  });
}
