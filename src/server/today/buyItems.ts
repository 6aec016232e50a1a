import "server-only";
import { dayText } from "@/core/units/dates";
import { listed } from "@/core/units/format";
import { type OpenClaim, type OpenOrder } from "@/server/buying";
import { type TodayItem, days } from "./todayItem";

/** Claims that the seller has not answered. */
export function claimItems(claims: readonly OpenClaim[]): TodayItem[] {
  return claims.map(({ id, offerId, code, name, reasons, sinceDays }) => ({
    id: `claim-${id}`,
    weight: "now",
    title: `${code} ${name}: claim not resolved${sinceDays > 0 ? `, ${days(sinceDays)} old` : ""}.`,
    because: reasons[0] ?? "It waits in its box.",
    action: { label: "Resolve", href: `/buy/${offerId}` },
  }));
}

/** Bars on their way; one that is late is for now. */
export function orderItems(orders: readonly OpenOrder[], today: string): TodayItem[] {
  return orders.map(({ id, code, name, quantity, arrived, expectedOn, lateDays }) => ({
    id: `order-${id}`,
    weight: lateDays > 0 || expectedOn === today ? "now" : "soon",
    title: `${code} ${name}: ${
      lateDays > 0
        ? `${days(lateDays)} late.`
        : expectedOn === today
          ? "expected today."
          : expectedOn
            ? `expected ${dayText(expectedOn, today)}.`
            : "ordered, no day said."
    }`,
    because: quantity > 1 ? `${arrived} of ${quantity} arrived.` : "Check it in while it is still in its box.",
    action: { label: "Check in", href: `/buy/${id}/receive` },
  }));
}

/** Warranties that end soon: the last chance for a claim. */
export function warrantyItems(
  ending: readonly { tag: string; name: string; on: string }[],
  today: string,
): TodayItem[] {
  const [first, ...others] = ending;
  if (!first) return [];
  return [
    {
      id: "warranties",
      weight: "soon",
      title: `The warranty of ${first.tag} ${first.name} ends ${dayText(first.on, today)}.`,
      because: others.length > 0 ? `Soon also ${listed(others.map(({ tag }) => tag))}.` : "Look it over before then.",
      action: { label: "Inspect", href: `/bars/${encodeURIComponent(first.tag)}` },
    },
  ];
}
