import type { Problem } from "../problem";

/* Money is whole minor units with a currency. Currencies and their minor units are ISO 4217's, as ECMA-402 knows them. */

export interface Money {
  minor: number;
  currency: string;
}

/** No sum of a gym is larger; all sums of such stay exact. */
export const MAX_MINOR = 100_000_000_000;

const SYMBOLS: Readonly<Record<string, string>> = {
  "£": "GBP",
  "€": "EUR",
  $: "USD",
  "¥": "JPY",
  "₹": "INR",
  "₩": "KRW",
};
/** Countries that write their own with a plain dollar sign. */
const DOLLARS = ["USD", "AUD", "CAD", "NZD", "SGD", "HKD"];

const known = new Set(Intl.supportedValuesOf("currency"));

/**
 * Whether a code is a currency's.
 *
 * @returns true for a code of ISO 4217 such as "EUR"
 */
export const isCurrency = (code: string): boolean => known.has(code);

/**
 * How many digits a currency's minor unit has: 2 for EUR, 0 for JPY.
 *
 * @returns 0 to 4
 */
export function minorDigits(currency: string): number {
  return new Intl.NumberFormat("en", { style: "currency", currency }).resolvedOptions().maximumFractionDigits ?? 2;
}

/**
 * An amount as people read it: "£410.00", "€1,299.50".
 *
 * @returns the text with its currency
 */
export function moneyText({ minor, currency }: Money): string {
  return new Intl.NumberFormat("en-GB", { style: "currency", currency }).format(minor / 10 ** minorDigits(currency));
}

/**
 * A round amount without its cents: "£410".
 *
 * @returns the text with its currency, rounded half up
 */
export function roundMoneyText({ minor, currency }: Money): string {
  return new Intl.NumberFormat("en-GB", { style: "currency", currency, maximumFractionDigits: 0 }).format(
    minor / 10 ** minorDigits(currency),
  );
}

/** 1250, 1250.5, 1,250, 1 250,50 or 1.250,50. */
const AMOUNT = /^(?:(\d{1,3}(?:([.,'’ ])\d{3})(?:\2\d{3})*)(?:(?!\2)[.,](\d{1,4}))?|(\d{1,11})(?:[.,](\d{1,4}))?)$/;

/**
 * An amount as somebody types it, with or without its currency: "£410", "410 EUR", "1,299.50", "1.299,50 €".
 *
 * @param usual the currency where none is said
 * @returns the money, or what is wrong with the text
 */
export function readMoney(text: string, usual: string): { ok: true; money: Money } | { ok: false; message: string } {
  const said = text.replace(/\u00a0/g, " ").trim();
  const refused = (message: string) => ({ ok: false as const, message });
  const marks = [...said.matchAll(/[A-Za-z]+|\p{Sc}/gu)].map(([mark]) => mark.toUpperCase());
  const code = marks.find((mark) => mark.length > 1);
  const symbol = marks.find((mark) => mark.length === 1 && SYMBOLS[mark]);
  const ofSymbol = symbol === "$" && DOLLARS.includes(usual) ? usual : symbol && SYMBOLS[symbol];
  const currency = code ?? ofSymbol ?? usual;
  if (!isCurrency(currency)) return refused(`“${said}”: ${currency} is no currency; write £410, 410 EUR or 410`);
  const match = AMOUNT.exec(said.replace(/[A-Za-z]+|\p{Sc}/gu, "").trim());
  if (!match) return refused(`“${said}” is no amount; write £410, 410 EUR or 1,299.50`);
  const digits = minorDigits(currency);
  const decimals = match[3] ?? match[5] ?? "";
  if (decimals.length > digits) return refused(`“${said}”: ${currency} has ${digits} decimals`);
  const minor = Number((match[1] ?? match[4]!).replace(/\D/g, "") + decimals.padEnd(digits, "0"));
  return minor <= MAX_MINOR ? { ok: true, money: { minor, currency } } : refused(`“${said}” is out of range`);
}

/**
 * Money in another currency, exactly, rounded half up once to its minor unit.
 *
 * @param rate what one unit of the money's currency costs in the other, as typed: "1.1735"
 * @returns the money in the other currency
 * @throws RangeError where the rate is no positive decimal number
 */
export function converted({ minor, currency }: Money, to: string, rate: string): Money {
  if (currency === to) return { minor, currency };
  const match = /^(\d{1,9})(?:\.(\d{1,9}))?$/.exec(rate);
  const whole = match ? BigInt(match[1]! + (match[2] ?? "")) : 0n;
  if (whole === 0n) throw new RangeError(`“${rate}” is no rate of exchange`);
  const shift = minorDigits(to) - minorDigits(currency) - (match![2]?.length ?? 0);
  const product = BigInt(minor) * whole;
  if (shift >= 0) return { minor: Number(product * 10n ** BigInt(shift)), currency: to };
  return { minor: Number(dividedHalfUp(product, 10n ** BigInt(-shift))), currency: to };
}

/**
 * A share of an amount in hundredths of a percent, rounded half up.
 *
 * @returns minor units
 */
export const shareOf = (minor: number, basisPoints: number): number =>
  Number(dividedHalfUp(BigInt(minor) * BigInt(basisPoints), 10_000n));

const dividedHalfUp = (a: bigint, b: bigint): bigint => (2n * a + b) / (2n * b);

/**
 * A positive decimal number as somebody types it: "1.17", "1,17".
 *
 * @returns the number with a point, or a problem
 */
export function readRate(text: string): string | Problem {
  const said = text.trim().replace(",", ".");
  return /^\d{1,9}(\.\d{1,9})?$/.test(said) && Number(said) > 0
    ? said
    : { path: "rate", message: `Rate: “${text.trim()}” is no rate; write 1.17` };
}
