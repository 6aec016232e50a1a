import { csvText } from "@/api/csvOut";
import { comparisonFor, questionWords } from "@/server/compare";
import { requestContext } from "@/server/access";

export async function GET(request: Request) {
  const comparison = await comparisonFor(await requestContext(), Object.fromEntries(new URL(request.url).searchParams));
  const { items, rows, judgement } = comparison;
  const table = rows.map(({ name, cells, by, unit }) => [name, ...cells.map(({ text }) => text), by, unit]);
  const head = ["quantity", ...items.map(({ bar }) => `${bar.tag} ${bar.name}`), "differ by", "unit"];
  const wide = (text: string) => [text, ...items.map(() => ""), "", ""];
  const verdict = `${judgement.verdict ?? ""} ${judgement.text}`.trim();
  const notes = [questionWords(comparison), verdict, ...comparison.breaks, ...comparison.warnings].map(wide);
  return new Response(csvText(head, [...table, ...notes]), {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": 'attachment; filename="comparison.csv"',
    },
  });
}
