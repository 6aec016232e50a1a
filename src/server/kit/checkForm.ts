import "server-only";
import { readBarRecord } from "@/core/bars/barRecord";
import type { FieldDef } from "@/core/bars/barFields";
import { CARE_TASK_FIELDS } from "@/core/care/careTaskFields";
import { readCareRules } from "@/core/care/readCareRules";
import { readClimate } from "@/core/care/readClimate";
import { readInspection } from "@/core/care/readInspection";
import { readSensor } from "@/core/care/readSensor";
import { readStaffHours } from "@/core/care/staffHours";
import { readOffer } from "@/core/buying/offer";
import { readClass } from "@/core/classes/readClass";
import { EQUIPMENT_FIELDS } from "@/core/equipment/equipmentFields";
import { readInvitation, readTokenTexts } from "@/core/house/doorTexts";
import { readGym } from "@/core/house/gym";
import { readKeeping } from "@/core/house/keeping";
import { readMeasuring } from "@/core/house/measuring";
import { LIFT_FIELDS } from "@/core/matching/liftFields";
import { LIFTER_FIELDS } from "@/core/matching/lifterFields";
import { readMeeting } from "@/core/matching/readMeeting";
import { readHouseRules } from "@/core/matching/readHouseRules";
import type { Problem } from "@/core/problem";
import { readWish } from "@/core/rotation/readWish";
import { readChart } from "@/core/setups/chartFields";
import { readFloor } from "@/core/setups/readFloor";
import { PLACE_FIELDS } from "@/core/setups/storage";
import { problemsOfSetTexts, readLogLines } from "@/core/strength/logLines";
import { readStrengthRules } from "@/core/strength/strengthRuleFields";
import { problemsOfTexts } from "./fieldSchema";

const DEFS: Readonly<Record<string, Readonly<Record<string, FieldDef>>>> = {
  ...EQUIPMENT_FIELDS,
  lifter: LIFTER_FIELDS,
  lift: LIFT_FIELDS,
  task: CARE_TASK_FIELDS,
  place: PLACE_FIELDS,
};

type Texts = Readonly<Record<string, string>>;
/** In what somebody counts who does not say so. */
interface Reader {
  /** The gym's. */
  currency: string;
  massUnit: "kg" | "lb";
}
const START: Reader = { currency: "EUR", massUnit: "kg" };
type Read = { ok: true } | { ok: false; problems: Problem[] };

/** Boxes that were ticked, as the form sends them together. */
const chosen = (text = "") => text.split(" | ").filter(Boolean);

/** Forms that are not described by fields, each with the reader that saving it uses. */
const READERS: Readonly<Record<string, (texts: Texts) => Read>> = {
  gym: readGym,
  keeping: readKeeping,
  measuring: readMeasuring,
  climate: readClimate,
  house: readHouseRules,
  strength: readStrengthRules,
  "care-rules": readCareRules,
  sensor: readSensor,
  inspection: (texts) => readInspection({ get: (name) => texts[name] ?? null }),
  invitation: readInvitation,
  token: readTokenTexts,
  meeting: (texts) => {
    const { rules = "", source = "", marks = "" } = texts;
    const { problems } = readMeeting({ rules, source, marks, lifts: chosen(texts.lifts), texts });
    return problems.length === 0 ? { ok: true } : { ok: false, problems };
  },
  rotation: (texts) => readWish(texts, chosen(texts.lifterIds)),
  "arm-chart": (texts) => readChart("arm", texts),
  "frame-chart": (texts) => readChart("frame", texts),
  floor: readFloor,
  hours: ({ hours = "" }) => readStaffHours(hours),
};

/**
 * Looks a form over without keeping anything: what saving it would say of its texts.
 *
 * @param kind what is entered: "bar", "plate", "lifter" and so on; of another there is nothing to say.
 * @param reader in what somebody counts who does not say so
 */
export function checkForm(kind: string, texts: Texts, { currency, massUnit }: Reader = START): Problem[] {
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
  if (kind === "sets") return problemsOfSets(texts, massUnit);
  if (kind === "bar") {
    // Several alike are entered at once, each with a tag of its own.
    const [tag] = (texts.tag ?? "").trim().split(/[\s,]+/);
    const read = readBarRecord({ ...texts, tag });
    return read.ok ? [] : read.problems;
  }
  if (Object.hasOwn(READERS, kind)) {
    const read = READERS[kind]!(texts);
    return read.ok ? [] : read.problems;
  }
  const defs = Object.hasOwn(DEFS, kind) ? DEFS[kind] : undefined;
  return defs ? problemsOfTexts(defs, texts) : [];
}

/** What is wrong with sets as they are typed: the lines together, since they stand in one field. */
function problemsOfSets(
  { lines = "", setting = "", variant = "", note = "" }: Texts,
  massUnit: "kg" | "lb",
): Problem[] {
  const read = readLogLines(lines, massUnit);
  const message = read.ok ? "" : read.problems.map((problem) => problem.message).join(" ");
  return [...(message ? [{ path: "lines", message }] : []), ...problemsOfSetTexts({ setting, variant, note })];
}
