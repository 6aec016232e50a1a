import type { Problem } from "../problem";
import { isTimeZone } from "../units/hallDay";
import { isLocale } from "../units/locales";

/** What a gym is called and how it counts. */
export interface GymTexts {
  name: string;
  timeZone: string;
  massUnit: string;
  lengthUnit: string;
  locale: string;
  currency: string;
}

/**
 * What somebody typed of a gym.
 *
 * @returns the gym, with its currency in capitals; or every problem
 */
export function readGym(
  texts: Readonly<Partial<Record<keyof GymTexts, string>>>,
):
  | { ok: true; gym: GymTexts & { massUnit: "kg" | "lb"; lengthUnit: "mm" | "in" } }
  | { ok: false; problems: Problem[] } {
  const said = (key: keyof GymTexts) => (texts[key] ?? "").trim();
  const massUnit = (["kg", "lb"] as const).find((unit) => unit === said("massUnit"));
  const lengthUnit = (["mm", "in"] as const).find((unit) => unit === said("lengthUnit"));
  const [name, timeZone, locale] = [said("name"), said("timeZone"), said("locale")];
  const currency = said("currency").toUpperCase();
  const problems = [
    ...(name === "" || name.length > 80 ? [{ path: "name", message: "Name: 1 to 80 characters." }] : []),
    ...(isTimeZone(timeZone)
      ? []
      : [{ path: "timeZone", message: `Time zone: “${timeZone}” is none; write it like Europe/Lisbon.` }]),
    ...(massUnit ? [] : [{ path: "massUnit", message: "Masses: kg or lb." }]),
    ...(lengthUnit ? [] : [{ path: "lengthUnit", message: "Lengths: mm or in." }]),
    ...(isLocale(locale) ? [] : [{ path: "locale", message: "Times as in: choose one of the list." }]),
    ...(/^[A-Z]{3}$/.test(currency)
      ? []
      : [{ path: "currency", message: `Currency: “${currency}” is none; write three letters, like EUR.` }]),
  ];
  if (problems.length > 0 || !massUnit || !lengthUnit) return { ok: false, problems };
  return { ok: true, gym: { name, timeZone, massUnit, lengthUnit, locale, currency } };
}
