import { quickestOrder } from "./quickestOrder";

type ArmPlace = Readonly<{ mark: string; pin: string }>;

/** One setting of a set that goes through several. */
export interface ArmStop {
  key: string;
  name: string;
  setting: ArmPlace;
}

/** Turning the arms to another mark, and sliding them to another pin, at each side. Ours. */
const EFFORT = { mark: 2, pin: 2 } as const;

/**
 * How much work it is from one setting of the arms to another.
 *
 * @returns turns and slides of both sides; 0 for none
 */
export const armEffort = (from: ArmPlace, to: ArmPlace): number =>
  (from.mark === to.mark ? 0 : EFFORT.mark) + (from.pin === to.pin ? 0 : EFFORT.pin);

/**
 * Settings one after the other with the fewest changes, from how the bar stands; or as they are listed.
 *
 * @param present how it stands; null where nobody recorded it
 * @throws RangeError for more than eight settings in the quickest order
 * @returns the stops in the order in which they are lifted, and the work in all
 */
export function quickestArms(
  stops: readonly ArmStop[],
  present: ArmPlace | null,
  isListed: boolean,
): { stops: ArmStop[]; effort: number } {
  const start = present ? { key: "", name: "", setting: present } : null;
  const { order, cost } = quickestOrder(
    stops.map((stop) => [stop]),
    start,
    (from, to) => armEffort(from.setting, to.setting),
    isListed,
  );
  return { stops: order.map((i) => stops[i]!), effort: cost };
}

/**
 * What to change from one setting to another, in one line.
 *
 * @returns words; of nothing to do "nothing to change"
 */
export function changesOfArms(from: ArmPlace | null, to: ArmPlace): string {
  if (!from) return `set mark ${to.mark}, pin ${to.pin}, both sides`;
  const words = [
    ...(from.mark === to.mark ? [] : [`turn both arms from mark ${from.mark} to ${to.mark}`]),
    ...(from.pin === to.pin ? [] : [`slide both from pin ${from.pin} to ${to.pin}`]),
  ];
  return words.join(", ") || "nothing to change";
}
