"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { requestContext } from "@/server/access";
import { addRepair, receiveBar, resolveClaim, saveBuyingRules, watchBatch } from "@/server/buying";
import type { Outcome } from "@/server/kit";
import { type Decision, decideOffer, importOffers, saveOffer } from "@/server/offers";
import { type FormState, refusedBy } from "@/ui/kit/formState";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

/** All texts of a form; boxes of one name become one list. */
function textsOf(form: FormData, left: readonly string[] = []): Record<string, string> {
  const names = [...new Set(form.keys())].filter((name) => !name.startsWith("$") && !left.includes(name));
  return Object.fromEntries(
    names.map((name) => [
      name,
      form
        .getAll(name)
        .map(String)
        .join(name === "delivery" ? " | " : "\n"),
    ]),
  );
}

function stateOf(result: Outcome<object>, message: string, typed: Record<string, string> = {}): FormState {
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed: {} };
}

/** Adds an offer or changes one; leads to its page. */
export async function saveOfferAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const texts = textsOf(form, ["id", "version"]);
  const id = textOf(form, "id") || null;
  const result = await saveOffer(context, { id, version: Number(form.get("version")), texts });
  if (!result.ok) return refusedBy(result, texts);
  revalidatePath("/", "layout");
  redirect(`/buy/${result.id}`);
}

/** Looks at a list of offers, or imports it. */
export async function importOffersAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  // A form sends its lines with both marks.
  const [text, isDry] = [textOf(form, "text").replaceAll("\r\n", "\n"), form.get("step") !== "import"];
  const result = await importOffers(context, { text, isDry });
  if (!result.ok) return refusedBy(result, { text });
  const { added, offers, unknownHeads } = result.import;
  if (!isDry) revalidatePath("/", "layout");
  const known = offers.length - added;
  const count = (n: number) => `${n} ${n === 1 ? "offer" : "offers"}`;
  return {
    status: "done",
    message: [
      isDry ? `${count(added)} to import.` : `${count(added)} imported.`,
      known > 0 ? `${count(known)} here already.` : "",
      unknownHeads.length > 0 ? `Left out: ${unknownHeads.join(", ")}.` : "",
    ]
      .filter(Boolean)
      .join(" "),
    problems: [],
    typed: isDry ? { checked: text, added: String(added) } : {},
  };
}

/** Approves, orders, cancels or refuses. */
export async function decideAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const kind = textOf(form, "kind") as Decision["kind"];
  const [quantity, reason] = [textOf(form, "quantity"), textOf(form, "reason")];
  const decision: Decision =
    kind === "order"
      ? { kind, quantity }
      : kind === "refuse"
        ? { kind, reason }
        : { kind: kind === "cancel" ? kind : "approve" };
  const result = await decideOffer(context, textOf(form, "id"), Number(form.get("version")), decision);
  const done = { approve: "Approved.", order: "Ordered.", cancel: "Order cancelled.", refuse: "Refused." };
  return stateOf(result, done[decision.kind], { quantity, reason });
}

/** Puts a bad batch on watch. */
export async function watchBatchAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const reason = textOf(form, "reason");
  const result = await watchBatch(context, { batch: textOf(form, "batch"), reason });
  const tags = result.ok ? result.tags : [];
  return stateOf(
    result,
    tags.length > 0 ? `On watch: ${tags.join(", ")}.` : "All of its bars are out of service or on watch already.",
    { reason },
  );
}

/** Checks in a bar that arrived; leads to the offer or to the bar. */
export async function receiveAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const texts = textsOf(form);
  const read = <T>(name: string, usual: T): T => {
    try {
      return JSON.parse(texts[name] ?? "") as T;
    } catch {
      return usual;
    }
  };
  const [answers, photos] = [read<unknown>("answers", {}), read<unknown>("photos", [])];
  const result = await receiveBar(context, {
    ...{ offerId: texts.offerId ?? "", key: texts.key ?? "", verdict: texts.verdict ?? "" },
    ...{ note: texts.note ?? "", tag: texts.tag ?? "" },
    answers: Object.fromEntries(Object.entries(answers ?? {}).map(([check, answer]) => [check, String(answer)])),
    photos: Array.isArray(photos) ? photos.map(String) : [],
    readings: Object.fromEntries(
      Object.entries(texts).flatMap(([name, text]) =>
        name.startsWith("readings.") ? [[name.slice("readings.".length), text]] : [],
      ),
    ),
  });
  if (!result.ok) return refusedBy(result, texts);
  revalidatePath("/", "layout");
  redirect(result.tag ? `/bars/${encodeURIComponent(result.tag)}` : `/buy/${texts.offerId}`);
}

/** Notes how a claim ended. */
export async function resolveClaimAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = textsOf(form);
  const result = await resolveClaim(context, textOf(form, "id"), {
    ...{ outcome: textOf(form, "outcome"), resolution: textOf(form, "resolution"), tag: textOf(form, "tag") },
  });
  return stateOf(result, "Resolved.", typed);
}

/** Notes what a repair cost. */
export async function repairAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = textsOf(form);
  const result = await addRepair(context, {
    ...{ tag: textOf(form, "tag"), paidOn: textOf(form, "paidOn") },
    ...{ amount: textOf(form, "amount"), note: textOf(form, "note") },
  });
  return stateOf(result, "Added.", typed);
}

/** Saves the budget, or what findings take off a used bar. */
export async function buyingRulesAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = textsOf(form, ["version"]);
  return stateOf(await saveBuyingRules(context, typed, Number(form.get("version"))), "Saved.", typed);
}
