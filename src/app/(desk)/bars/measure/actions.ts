"use server";

import { revalidatePath } from "next/cache";
import Joi from "joi";
import { typedReadings } from "@/api/barFile";
import { QUANTITY_KINDS } from "@/core/bars/quantities";
import { type Measuring, measureBar } from "@/server/bars";
import { requestContext } from "@/server/access";
import type { KeepReadings } from "@/ui/bars/useMeasuring";

/** What a browser may send; anything else is somebody's own making. */
const SENT = Joi.object<Measuring>({
  tag: Joi.string().max(12).required(),
  kind: Joi.string()
    .valid(...QUANTITY_KINDS)
    .required(),
  readings: typedReadings.required(),
  instrument: Joi.string().max(60).required(),
  idempotencyKey: Joi.string().max(64).required(),
}).required();

/** Keeps the readings of one step of a measuring session. */
export async function keepReadings(sent: KeepReadings): Promise<{ ok: boolean; message: string }> {
  const context = await requestContext();
  const { error, value } = SENT.validate(sent, { abortEarly: false });
  if (error) return { ok: false, message: `Not saved: ${error.message}.` };
  const result = await measureBar(context, value);
  if (!result.ok)
    return { ok: false, message: [result.message, ...result.problems.map(({ message }) => message)].join(" ") };
  revalidatePath("/", "layout");
  return { ok: true, message: "Saved." };
}
