import "server-only";
import { readBarRecord } from "@/core/bars/barRecord";
import type { FieldDef } from "@/core/bars/barFields";
import { CARE_TASK_FIELDS } from "@/core/care/careTaskFields";
import { readOffer } from "@/core/buying/offer";
import { readClass } from "@/core/classes/readClass";
import { EQUIPMENT_FIELDS } from "@/core/equipment/equipmentFields";
import { LIFT_FIELDS } from "@/core/matching/liftFields";
import { LIFTER_FIELDS } from "@/core/matching/lifterFields";
import type { Problem } from "@/core/problem";
import { PLACE_FIELDS } from "@/core/setups/storage";
import { problemsOfTexts } from "./fieldSchema";

const DEFS: Readonly<Record<string, Readonly<Record<string, FieldDef>>>> = {
  ...EQUIPMENT_FIELDS,
  lifter: LIFTER_FIELDS,
  lift: LIFT_FIELDS,
  task: CARE_TASK_FIELDS,
  place: PLACE_FIELDS,
};

/**
 * Looks a form over without keeping anything: what saving it would say of its texts.
 *
 * @param kind what is entered: "bar", "plate", "lifter" and so on; of another there is nothing to say.
 * @param currency the gym's, in which amounts are that do not say theirs
 */
export function checkForm(kind: string, texts: Readonly<Record<string, string>>, currency = "EUR"): Problem[] {
  if (kind === "offer") {
    const read = readOffer(texts, currency);
    return read.ok ? [] : read.problems;
  }
  if (kind === "class") {
    // Stations are called by their short names here: the field says the rest.
    const stations = Object.keys(texts).flatMap((key) => (key.startsWith("capacity.") ? [key.slice(9)] : []));
    const read = readClass(
      texts,
      stations.map((key) => ({ key, name: "how many" })),
    );
    return read.ok ? [] : read.problems;
  }
  if (kind === "bar") {
    // Several alike are entered at once, each with a tag of its own.
    const [tag] = (texts.tag ?? "").trim().split(/[\s,]+/);
    const read = readBarRecord({ ...texts, tag });
    return read.ok ? [] : read.problems;
  }
  const defs = Object.hasOwn(DEFS, kind) ? DEFS[kind] : undefined;
  return defs ? problemsOfTexts(defs, texts) : [];
}
