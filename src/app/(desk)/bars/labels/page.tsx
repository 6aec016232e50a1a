import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { FAMILIES, FAMILY_KEYS } from "@/core/bars/families";
import { LABEL_KINDS, type LabelKind } from "@/papers/labelKinds";
import { qrPath } from "@/papers/kit/qrPath";
import { may, requestContext } from "@/server/access";
import { barsOnTheWall, labelledBars } from "@/server/bars";
import { labelRules } from "@/server/rules";
import { LabelsSheet } from "@/ui/bars/LabelsSheet";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { coloursAction } from "./actions";

export const metadata: Metadata = { title: "Labels" };

async function LabelsPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const kind = LABEL_KINDS.find((one) => one === search.kind) ?? ("shelf" satisfies LabelKind);
  const ask = { family: search.family || undefined, place: search.place || undefined };
  const [bars, wall, { colours, version }] = await Promise.all([
    labelledBars(context, ask),
    barsOnTheWall(context),
    labelRules(context),
  ]);
  const here = new Set(wall.map(({ bar }) => bar.family));
  return (
    <LabelsSheet
      kind={kind}
      ask={ask}
      families={FAMILY_KEYS.filter((key) => here.has(key)).map((key) => ({ key, name: FAMILIES[key].name }))}
      places={[...new Set(wall.flatMap(({ place }) => place ?? []))].toSorted()}
      count={bars.length}
      sample={bars[0] ? { ...bars[0], qr: qrPath(bars[0].address) } : null}
      colours={FAMILY_KEYS.filter((key) => here.has(key) || colours[key]).map((key) => ({
        key,
        name: FAMILIES[key].name,
        colour: colours[key] ?? null,
      }))}
      version={version}
      mayEdit={may(context, "rule.edit")}
      action={coloursAction}
    />
  );
}

export default inParts(LabelsPage);
