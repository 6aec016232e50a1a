import { csvText } from "@/api/csvOut";
import { plateItemOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { listPlates } from "@/server/equipment";
import { may } from "@/server/access";
import { endpoint, refuse } from "../../_http/endpoint";

const HEAD_ROW = [
  "id",
  "mass",
  "unit",
  "massKg",
  "pairs",
  "thicknessMm",
  "diameterMm",
  "material",
  "dropRated",
  "colour",
];

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint(ROUTES.platesCsv, async ({ context }) => {
  if (!may(context, "hall.export")) return refuse("forbidden", "Your role may not export the gym’s records.");
  const { items } = await listPlates(context, { limit: 10_000 });
  const rows = items
    .map(plateItemOf)
    .map((plate) =>
      [
        plate.id,
        plate.nominal.value,
        plate.nominal.unit,
        plate.massKg,
        plate.pairs,
        plate.thicknessMm,
        plate.diameterMm,
        plate.material,
        plate.dropRated,
        plate.colour,
      ].map((cell) => (cell === null ? "" : String(cell))),
    );
  return { text: csvText(HEAD_ROW, rows), type: "text/csv" };
});
