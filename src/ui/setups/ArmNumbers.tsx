"use client";

import { type ArmChart, type PlacedSetting } from "@/core/setups/armChart";
import { type EvaluatedSetting } from "@/core/setups/armSettings";
import { fixed, signed } from "@/core/units/format";
import { ArmDial } from "./ArmDial";

export function ArmDialHere({
  chart,
  ...rest
}: {
  chart: ArmChart;
  settings: readonly PlacedSetting[];
  current: PlacedSetting;
  onChange: (setting: PlacedSetting) => void;
  onSettled: () => void;
}) {
  const marks = [...new Set(rest.settings.map(({ mark }) => mark))];
  return <ArmDial {...rest} marks={marks} pins={chart.pins.map(({ name }) => name)} />;
}

export function Step({
  label,
  to,
  onGo,
}: {
  label: string;
  to: EvaluatedSetting | null;
  onGo: (setting: PlacedSetting) => void;
}) {
  return (
    <button type="button" className="btn btn-sm btn-outline" disabled={!to} onClick={() => to && onGo(to)}>
      {label}
      {to ? (
        <span className="text-xs font-normal opacity-80">
          {to.mark} {to.pin}
        </span>
      ) : (
        ""
      )}
    </button>
  );
}

export function Numbers({ now }: { now: EvaluatedSetting }) {
  const { answer } = now;
  const rows: [string, string, string][] = [
    ["arm", `${fixed(now.angleDeg, 1)}°, ${fixed(now.distanceMm, 0)}`, "mm"],
    [now.forwardMm >= 0 ? "load forward" : "load back", fixed(Math.abs(now.forwardMm), 0), "mm"],
    [now.dropMm >= 0 ? "load down" : "load up", fixed(Math.abs(now.dropMm), 0), "mm"],
    ["trunk lean", answer ? fixed(answer.trunkLeanDeg, 1) : "–", "°"],
    ["hip moment", answer ? fixed(answer.hipMomentNm, 0) : "–", "N·m"],
    ["knee moment", answer ? fixed(answer.kneeMomentNm, 0) : "–", "N·m"],
    ["hip to knee", answer?.hipToKnee ? fixed(answer.hipToKnee, 2) : "–", ""],
    ["roll torque", answer ? signed(answer.rollTorqueNm, 1) : "–", "N·m"],
  ];
  return (
    <>
      <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
        {rows.map(([label, value, unit]) => (
          <div
            key={label}
            className="border-base-300 col-span-2 grid grid-cols-subgrid border-b py-0.5 last:border-b-0"
          >
            <dt className="text-quiet">{label}</dt>
            <dd className="text-right tabular-nums">
              <strong>{value}</strong> <span className="unit inline-block w-8 text-left">{unit}</span>
            </dd>
          </div>
        ))}
      </dl>
      {!answer && (
        <p role="alert" className="text-error text-sm">
          Nothing balances at this setting and depth for this lifter: choose another.
        </p>
      )}
    </>
  );
}
