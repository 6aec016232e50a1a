import type { AgainstModel } from "@/core/sideview/againstModel";
import type { Read, StillReading } from "@/core/sideview/readStill";
import { fixed } from "@/core/units/format";
import { useShown } from "../kit/shown";

interface Props {
  reading: StillReading;
  against: AgainstModel | null;
}

/** Angles and distances of a still, each with how far it may be off, beside the model's. */
export function StillReadout({ reading, against }: Props) {
  const said = useShown();
  const model = against?.balance;
  const degrees = (value: number) => `${fixed(value, 0)}°`;
  const rows: [name: string, read: Read, of: (value: number) => string, model: number | null][] = [
    ["trunk lean", reading.leanDeg, degrees, model?.trunkLeanDeg ?? null],
    ["knee", reading.kneeDeg, degrees, against?.kneeDeg ?? null],
    ["hip", reading.hipDeg, degrees, against?.hipDeg ?? null],
    [
      "bar ahead of mid-foot",
      reading.barAheadOfMidFootMm,
      (value) => said.mm(value, 0).replace("-", "−"),
      model ? model.figure.contact[0] - model.figure.midFoot[0] : null,
    ],
  ];
  return (
    <table className="table-sm table" data-testid="still-readout">
      <thead className="text-base-content">
        <tr>
          <th scope="col">Measured</th>
          <th scope="col" className="text-right">
            Still
          </th>
          <th scope="col" className="text-right">
            May be off
          </th>
          <th scope="col" className="text-right">
            Model
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, { value, within }, of, modelValue]) => (
          <tr key={name}>
            <th scope="row" className="font-normal">
              {name}
            </th>
            <td className="text-right text-base font-bold tabular-nums">{of(value)}</td>
            <td className="text-quiet text-right tabular-nums">± {of(within)}</td>
            <td className="text-right tabular-nums">{modelValue === null ? "" : of(modelValue)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
