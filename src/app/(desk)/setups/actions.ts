"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { ARM_CHART_FIELDS, FRAME_CHART_FIELDS } from "@/core/setups/chartFields";
import { PLACE_FIELDS } from "@/core/setups/storage";
import type { Outcome } from "@/server/kit";
import { saveFloor } from "@/server/rules";
import {
  calibrate,
  copySetting,
  hangBar,
  keepSetting,
  movePlace,
  noteStand,
  putAway,
  savePlace,
} from "@/server/setups";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";
import { formTexts } from "@/ui/kit/formTexts";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

function stateOf(result: Outcome<object>, message: string, typed: Record<string, string> = {}): FormState {
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed: {} };
}

/** Keeps what was measured of a bar's marks, pins or holes, and opens its settings. */
export async function calibrateAction(_before: FormState, form: FormData): Promise<FormState> {
  const tag = textOf(form, "tag");
  const typed = formTexts(form, { ...ARM_CHART_FIELDS, ...FRAME_CHART_FIELDS });
  const result = await calibrate(await requestContext(), { tag, version: Number(form.get("version")), texts: typed });
  if (!result.ok) return stateOf(result, "", typed);
  revalidatePath("/", "layout");
  redirect(`/setups/${encodeURIComponent(tag)}`);
}

/** Notes how a bar stands or must hang; left and right are asked apart. */
export async function standAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  const side = (name: string) =>
    Object.fromEntries(
      Object.entries(typed).flatMap(([key, value]) =>
        key.startsWith(`${name}.`) ? [[key.slice(name.length + 1), value]] : [],
      ),
    );
  const as = typed.as === "stored" ? "stored" : "present";
  const left = side("left");
  // A bar whose sides cannot differ is asked once.
  const right = { ...left, ...side("right") };
  const result = await noteStand(await requestContext(), { tag: typed.tag ?? "", left, right, as });
  const words = result.ok ? result.words : "";
  return stateOf(result, as === "stored" ? `Stored at ${words}.` : `Saved: ${words}, both sides.`, typed);
}

/** Keeps a setting for a lifter; answers with the card's id. */
export async function keepAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  let setting: Record<string, string> = {};
  try {
    const read: unknown = JSON.parse(textOf(form, "setting"));
    if (read && typeof read === "object")
      setting = Object.fromEntries(Object.entries(read).map(([key, value]) => [key, String(value)]));
  } catch {
    return { status: "refused", message: "The setting could not be read.", problems: [], typed: {} };
  }
  const result = await keepSetting(context, {
    lifter: textOf(form, "lifter"),
    tag: textOf(form, "tag"),
    lift: textOf(form, "lift"),
    setting,
    station: textOf(form, "station"),
    jCupHole: textOf(form, "jCupHole"),
    note: textOf(form, "note"),
    totalKg: Number(form.get("totalKg")) || undefined,
    plateDiameterMm: Number(form.get("plateMm")) || undefined,
  });
  const state = stateOf(result, "Saved.");
  return result.ok ? { ...state, typed: { id: result.id } } : state;
}

/** Copies a setting to another lifter and opens the new card. */
export async function copyAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await copySetting(await requestContext(), { id: textOf(form, "id"), lifter: textOf(form, "lifter") });
  if (!result.ok) return stateOf(result, "");
  revalidatePath("/", "layout");
  redirect(`/setups/card/${result.id}`);
}

/** Hangs a bar at another place; called when it is dropped there. */
export async function hangAction(tag: string, place: string): Promise<FormState> {
  const result = await hangBar(await requestContext(), { tag, place, slot: null });
  const peg = result.ok && result.slot !== null ? `, peg ${result.slot}` : "";
  return stateOf(result, `${tag} hangs at ${place}${peg}.`);
}

/** The same from a form, for hands without a mouse. */
export async function hangFormAction(_before: FormState, form: FormData): Promise<FormState> {
  return hangAction(textOf(form, "tag"), textOf(form, "place"));
}

/** Moves a place on the floor sketch. */
export async function movePlaceAction(id: string, x: number, y: number): Promise<FormState> {
  return stateOf(await movePlace(await requestContext(), { id, x, y }), "Moved.");
}

/** Enters or changes a place. */
export async function savePlaceAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = formTexts(form, PLACE_FIELDS);
  const id = textOf(form, "id") || null;
  const result = await savePlace(await requestContext(), { id, version: Number(form.get("version")), texts: typed });
  return stateOf(result, "Saved.", typed);
}

/** Counts the loose parts of a bar that is put away. */
export async function putAwayAction(_before: FormState, form: FormData): Promise<FormState> {
  const tag = textOf(form, "tag");
  const counted = [...form.entries()]
    .filter(([key]) => key.startsWith("part."))
    .map(([, value]) => (String(value).trim() === "" ? NaN : Number(value)));
  const result = await putAway(await requestContext(), { tag, counted });
  const missing = result.ok && result.missing.length > 0 ? ` Missing: ${result.missing.join(", ")}.` : "";
  return stateOf(result, `${tag} is put away.${missing}`);
}

/** Saves how large the floor is. */
export async function floorAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = { widthMm: String(form.get("widthMm") ?? ""), depthMm: String(form.get("depthMm") ?? "") };
  const result = await saveFloor(context, typed, Number(form.get("version")));
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/setups/space");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}
