import { DROP_ORDER_WORDS, type DropOrder } from "@/core/setups/frameLadder";
import { changesOfArms, type ArmStop, quickestArms } from "@/core/setups/armDropSet";
import { ChangeLink } from "../kit/ChangeLink";

interface Props {
  presets: readonly { key: string; name: string; setting: { mark: string; pin: string } | null }[];
  present: { mark: string; pin: string } | null;
  /** Keys of the settings in the set. */
  chosen: readonly string[];
  order: DropOrder;
  hrefOf: (change: Record<string, string | null>) => string;
}

const ORDERS = ["quickest", "down"] as const;
const ORDER_WORDS = { quickest: DROP_ORDER_WORDS.quickest, down: "as listed" } as const;

/** A set that goes through several settings of a bar with arms, in the order with the fewest changes. */
export function ArmDropSet({ presets, present, chosen, order, hrefOf }: Props) {
  const known = presets.flatMap(({ key, name, setting }): ArmStop[] => (setting ? [{ key, name, setting }] : []));
  if (known.length < 2) return null;
  const stops = known.filter(({ key }) => chosen.includes(key));
  const planned = stops.length > 0 ? quickestArms(stops, present, order !== "quickest") : null;
  return (
    <section className="sheet px-4 py-3" aria-label="Drop set across settings">
      <h2 className="font-bold">Drop set across settings</h2>
      <div className="my-2 flex flex-wrap gap-2">
        {known.map(({ key, name }) => {
          const isChosen = chosen.includes(key);
          const next = isChosen ? stops.filter((stop) => stop.key !== key) : [...stops, { key }];
          const change = { drop: next.map((stop) => stop.key).join(",") || null };
          return (
            <ChangeLink
              key={key}
              href={hrefOf(change)}
              change={change}
              isCurrent={isChosen}
              className={`btn btn-sm ${isChosen ? "btn-neutral" : "btn-outline"}`}
            >
              {name}
              <span className="sr-only">{isChosen ? ": in the set, tap to take it out" : ": tap to add it"}</span>
            </ChangeLink>
          );
        })}
      </div>
      {planned && (
        <>
          {stops.length > 1 && (
            <div className="mb-2 flex flex-wrap gap-2">
              {ORDERS.map((one) => (
                <ChangeLink
                  key={one}
                  href={hrefOf({ order: one === "quickest" ? null : one })}
                  change={{ order: one === "quickest" ? null : one }}
                  isCurrent={(order === "quickest") === (one === "quickest")}
                  className={`btn btn-sm ${(order === "quickest") === (one === "quickest") ? "btn-neutral" : "btn-outline"}`}
                >
                  {ORDER_WORDS[one]}
                </ChangeLink>
              ))}
            </div>
          )}
          <ol className="grid gap-1 text-sm">
            {planned.stops.map(({ key, name, setting }, i) => {
              const before = i === 0 ? present : planned.stops[i - 1]!.setting;
              return (
                <li key={key}>
                  <strong>
                    {i + 1}. {name}
                  </strong>{" "}
                  mark {setting.mark}, pin {setting.pin}
                  <span className="text-quiet block text-xs">{changesOfArms(before, setting)}</span>
                </li>
              );
            })}
          </ol>
          <p className="text-quiet mt-1 text-xs">
            Both sides alike, counted. Where the bar may only be changed empty, take the plates off first.
          </p>
        </>
      )}
    </section>
  );
}
