import { ZONE_NAMES, ZONES, type Zone } from "@/core/wear/zones";

interface Props {
  name: string;
  label: string;
  chosen?: string;
  onChoose?: (zone: Zone | "") => void;
}

/** How wide and high each part is drawn, in shares: sleeves thick, collars higher, knurl between. */
const LOOK: Record<Zone, string> = {
  "left-sleeve": "h-7 grow-3 rounded-l",
  "left-collar": "h-11 grow",
  "left-knurl": "h-4 grow-4",
  middle: "h-4 grow-3",
  "right-knurl": "h-4 grow-4",
  "right-collar": "h-11 grow",
  "right-sleeve": "h-7 grow-3 rounded-r",
};

/** A bar as seven parts to point at; none chosen says nothing. */
export function ZonePicker({ name, label, chosen, onChoose }: Props) {
  return (
    <fieldset className="grid gap-1 text-sm">
      <legend>{label} Left and right as it hangs on the wall.</legend>
      <div className="flex items-center gap-px" aria-hidden>
        {ZONES.map((zone) => (
          <span key={zone} className={`${LOOK[zone]} ${chosen === zone ? "bg-primary" : "bg-base-content/30"}`} />
        ))}
      </div>
      <div className="flex flex-wrap gap-1">
        {ZONES.map((zone) => (
          <label
            key={zone}
            className="border-base-300 has-checked:border-primary has-checked:bg-primary/10 flex min-h-11 items-center gap-2 border px-2"
          >
            <input
              type="radio"
              name={name}
              value={zone}
              className="radio radio-xs"
              {...(onChoose ? { checked: chosen === zone, onChange: () => onChoose(zone) } : {})}
            />
            {ZONE_NAMES[zone]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
