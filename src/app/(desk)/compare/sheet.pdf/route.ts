import { comparisonFor, questionWords } from "@/server/compare";
import { drawPaper } from "@/server/computing";
import { dayText } from "@/core/units/dates";
import { requestContext } from "@/server/access";
import { INKS } from "@/ui/compare/inks";
import { CAUTION, paperSheet } from "@/ui/compare/paperSheet";

export async function GET(request: Request) {
  const context = await requestContext();
  const comparison = await comparisonFor(context, Object.fromEntries(new URL(request.url).searchParams));
  const { items, rows, judgement } = comparison;
  const pdf = await drawPaper(context, "comparison", {
    title: items.map(({ bar }) => `${bar.tag} ${bar.name}`).join(" · ") || "Nothing to compare",
    question: questionWords(comparison),
    verdict: judgement.verdict,
    text: [judgement.text, judgement.opinion].filter(Boolean).join(" "),
    caution: [...comparison.breaks, ...comparison.warnings, CAUTION].join(" "),
    tags: items.map(({ bar }, i) => ({ tag: bar.tag, name: bar.name, ink: INKS[i]!.paper })),
    rows,
    drawing: items.some(({ bent }) => bent.ok) ? paperSheet(comparison) : null,
    foot: `${context.actor.hallName}, ${dayText(context.clock.today, "")}`,
  });
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="comparison.pdf"' },
  });
}
