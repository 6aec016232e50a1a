/** Where the language of the screens is at home, and how each writes the time of day. */
export const LOCALES = {
  "en-GB": "United Kingdom",
  "en-IE": "Ireland",
  "en-US": "United States",
  "en-CA": "Canada",
  "en-AU": "Australia",
  "en-NZ": "New Zealand",
  "en-ZA": "South Africa",
} as const;

export type Locale = keyof typeof LOCALES;

/**
 * Whether a gym may write its times so.
 *
 * @returns whether it is one of `LOCALES`
 */
export const isLocale = (text: string): text is Locale => Object.hasOwn(LOCALES, text);
