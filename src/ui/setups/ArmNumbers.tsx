"use client";

import { rollWords } from "@/core/balance/verdictWords";
import { type ArmChart, type PlacedSetting } from "@/core/setups/armChart";
import { type EvaluatedSetting } from "@/core/setups/armSettings";
import { ArmDial } from "./ArmDial";
import { lengthNumber, plainNumber, SetupNumbers } from "./SetupNumbers";

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
  const roll = answer?.rollTorqueNm ?? null;
  return (
    <>
      <SetupNumbers
        rows={[
          plainNumber("arm angle", now.angleDeg, 1, "°"),
          lengthNumber("load from the hinge", now.distanceMm),
          lengthNumber(now.forwardMm >= 0 ? "load forward" : "load back", Math.abs(now.forwardMm)),
          lengthNumber(now.dropMm >= 0 ? "load down" : "load up", Math.abs(now.dropMm)),
          plainNumber("trunk lean", answer?.trunkLeanDeg ?? null, 1, "°"),
          plainNumber("hip moment", answer?.hipMomentNm ?? null, 0, "N·m"),
          plainNumber("knee moment", answer?.kneeMomentNm ?? null, 0, "N·m"),
          plainNumber("hip to knee", answer?.hipToKnee ?? null, 2, ""),
          plainNumber(rollWords(roll), roll === null ? null : Math.abs(roll), 1, "N·m"),
        ]}
      />
      {!answer && (
        <p role="alert" className="text-error text-sm">
          Nothing balances at this setting and depth for this lifter: choose another.
        </p>
      )}
    </>
  );
}
