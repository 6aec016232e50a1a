import type { Setting, SetupOption } from "@/core/setups/setupOptions";
import { ChangeLink } from "../kit/ChangeLink";

/** Everything that can be chosen of a bar, each as a row of buttons that change the address. */
export function OptionPicker({
  options,
  setting,
  hrefOf,
}: {
  options: readonly SetupOption[];
  setting: Setting;
  hrefOf: (change: Record<string, string>) => string;
}) {
  const chosen = options.filter(({ isLength, choices }) => !isLength && choices.length > 1);
  if (chosen.length === 0) return null;
  return (
    <dl className="grid grid-cols-[minmax(6rem,auto)_1fr] items-center gap-x-4 gap-y-1.5 text-sm">
      {chosen.map(({ key, label, choices }) => (
        <div key={key} className="col-span-2 grid grid-cols-subgrid items-center">
          <dt className="text-quiet">{label}</dt>
          <dd className="flex flex-wrap gap-1">
            {choices.map((choice) => (
              <ChangeLink
                key={choice.key}
                href={hrefOf({ [key]: choice.key })}
                change={{ [key]: choice.key, ...(key === "hand" ? {} : { hand: null }) }}
                label={`${label}: ${choice.words}`}
                className={`btn btn-sm ${setting[key] === choice.key ? "btn-neutral" : "btn-outline"}`}
              >
                {choice.words}
              </ChangeLink>
            ))}
          </dd>
        </div>
      ))}
    </dl>
  );
}
