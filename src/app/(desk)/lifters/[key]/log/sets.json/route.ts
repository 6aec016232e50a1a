import { fileAnswer, logForFile } from "../logFiles";

/** A lifter's log as JSON. */
export async function GET(_request: Request, { params }: { params: Promise<{ key: string }> }) {
  const { key, sets } = await logForFile((await params).key);
  const told = sets.map((set) => ({
    ...{ on: set.on, lift: set.liftKey, variant: set.variant, bar: set.tag, setting: set.setting },
    ...{ handsHelped: set.handsHelped, load: { value: set.loadValue, unit: set.loadUnit }, loadKg: set.loadKg },
    ...{ repetitions: set.repetitions, repetitionsInReserve: set.reserve, made: set.isMade, note: set.note },
  }));
  return fileAnswer(JSON.stringify({ lifter: key, sets: told }, null, 2), "application/json", `${key}-log.json`);
}
