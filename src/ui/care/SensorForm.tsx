"use client";

import { SENSOR_KEYS, SENSOR_NUMBERS } from "@/core/care/readSensor";
import { trimmed } from "@/core/units/format";
import type { SensorRow } from "@/server/care/air";
import type { FormAction } from "../kit/formState";
import { SavedForm } from "../kit/SavedForm";
import { RuleNumber } from "../settings/RuleNumber";

/** What falls from the air at a place, and how far its steel lags behind. */
export function SensorForm({ sensor, action }: { sensor: SensorRow; action: FormAction }) {
  return (
    <SavedForm
      kind="sensor"
      version={sensor.version}
      fields={SENSOR_KEYS}
      hidden={{ key: sensor.key }}
      action={action}
      className="grid content-start gap-2"
      buttonClass="btn btn-sm btn-outline"
    >
      {(form) =>
        SENSOR_KEYS.map((key) => (
          <RuleNumber
            key={key}
            name={key}
            rule={SENSOR_NUMBERS[key]}
            value={trimmed(sensor[key], 2)}
            form={form}
            isDisabled={false}
          />
        ))
      }
    </SavedForm>
  );
}
