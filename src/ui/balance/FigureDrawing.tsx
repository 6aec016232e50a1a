import { armOf } from "@/core/balance/arms";
import type { Figure, Point } from "@/core/balance/balance";
import type { CarryKey } from "@/core/balance/carry";

interface Props {
  figure: Figure | null;
  /** Where the figure stands when nothing balances. */
  label: string;
  loadKg: number;
  ink: string;
  isHanging: boolean;
  /** How the bar is carried, and how tall the lifter is: where the arms are; left out, there are none. */
  arms?: { carry: CarryKey; heightMm: number };
  /** Height of the sheet above the floor, in mm: the same for figures that stand side by side. */
  topMm: number;
  /** How large it is; as in a comparison where nothing is said. */
  className?: string;
  /** Without mid-foot line and mass centre: to show where the bar is, not what it does. */
  isPlain?: boolean;
}

/** What the sheet shows, in mm: from behind the hips to ahead of the toes, and a little below the floor. */
const VIEW = { left: -800, right: 900, bottom: -70 };
const HEAD_MM = 115;
const PLATE_MM = 225;

/** Height that a figure needs, in mm: its head and its discs with a little room. */
export function figureTopMm({ shoulder, hip, load }: Figure): number {
  const trunk = Math.hypot(shoulder[0] - hip[0], shoulder[1] - hip[1]);
  const head = shoulder[1] + ((shoulder[1] - hip[1]) / trunk) * HEAD_MM * 1.7 + HEAD_MM;
  return Math.max(head, load[1] + PLATE_MM, shoulder[1]) + 60;
}

const at = ([x, y]: Point): [number, number] => [x, -y];
const line = (...points: Point[]) => points.map((point) => at(point).join(",")).join(" ");

/** A lifter from the side, to scale: floor and mid-foot, the body's segments, the bar's contact and its load. */
export function FigureDrawing({
  figure,
  label,
  loadKg,
  ink,
  isHanging,
  topMm,
  arms,
  className = "h-72 w-full",
  isPlain = false,
}: Props) {
  const { left, right, bottom } = VIEW;
  const top = topMm;
  return (
    <svg
      viewBox={`${left} ${-top} ${right - left} ${top - bottom}`}
      role="img"
      aria-label={label}
      className={`block ${className}`}
    >
      <line x1={left} x2={right} y1={0} y2={0} stroke="var(--color-base-content)" strokeWidth={6} />
      {figure && (
        <Body
          figure={figure}
          loadKg={loadKg}
          ink={ink}
          isHanging={isHanging}
          topMm={topMm}
          arms={arms}
          isPlain={isPlain}
        />
      )}
    </svg>
  );
}

function Body({
  figure,
  loadKg,
  ink,
  isHanging,
  topMm,
  arms,
  isPlain,
}: Omit<Props, "label" | "figure"> & { figure: Figure }) {
  const { heel, toe, ankle, knee, hip, shoulder, contact, load, midFoot, centre } = figure;
  const trunk = Math.hypot(shoulder[0] - hip[0], shoulder[1] - hip[1]);
  const up: Point = [(shoulder[0] - hip[0]) / trunk, (shoulder[1] - hip[1]) / trunk];
  const head: Point = [shoulder[0] + up[0] * HEAD_MM * 1.7 + 25, shoulder[1] + up[1] * HEAD_MM * 1.7];
  const arm = arms && armOf(figure, arms.carry, arms.heightMm);
  const limb = { stroke: "var(--body)", strokeLinecap: "round", strokeLinejoin: "round", fill: "none" } as const;
  return (
    <g style={{ ["--body" as string]: "color-mix(in oklab, var(--color-base-content) 34%, var(--color-base-100))" }}>
      {!isPlain && (
        <line
          x1={midFoot[0]}
          x2={midFoot[0]}
          y1={20}
          y2={-topMm}
          stroke="var(--color-quiet)"
          strokeWidth={5}
          strokeDasharray="36 14 8 14"
        />
      )}
      {loadKg > 0 && (
        <circle
          cx={at(load)[0]}
          cy={at(load)[1]}
          r={PLATE_MM}
          fill={ink}
          fillOpacity={0.12}
          stroke={ink}
          strokeWidth={7}
        />
      )}
      <polyline
        points={line(heel, toe, [ankle[0] + 20, ankle[1]], heel)}
        {...limb}
        strokeWidth={34}
        fill="var(--body)"
      />
      <polyline points={line(ankle, knee)} {...limb} strokeWidth={86} />
      <polyline points={line(knee, hip)} {...limb} strokeWidth={118} />
      <polyline points={line(hip, shoulder)} {...limb} strokeWidth={150} />
      <circle cx={at(head)[0]} cy={at(head)[1]} r={HEAD_MM} fill="var(--body)" />
      {arm && (
        <g>
          <polyline
            points={line(shoulder, arm.elbow, arm.hand)}
            {...limb}
            stroke="var(--color-base-100)"
            strokeWidth={82}
          />
          <polyline points={line(shoulder, arm.elbow, arm.hand)} {...limb} strokeWidth={60} />
          <circle cx={at(arm.elbow)[0]} cy={at(arm.elbow)[1]} r={13} fill="var(--color-base-100)" />
        </g>
      )}
      {[ankle, knee, hip, shoulder].map((joint, i) => (
        <circle key={i} cx={at(joint)[0]} cy={at(joint)[1]} r={17} fill="var(--color-base-100)" />
      ))}
      <polyline
        points={line(contact, load)}
        stroke={ink}
        strokeWidth={14}
        fill="none"
        strokeDasharray={isHanging ? "30 18" : undefined}
      />
      <circle
        cx={at(contact)[0]}
        cy={at(contact)[1]}
        r={26}
        fill="var(--color-base-100)"
        stroke={ink}
        strokeWidth={12}
      />
      {loadKg > 0 && <circle cx={at(load)[0]} cy={at(load)[1]} r={26} fill={ink} />}
      {loadKg > 0 && !isPlain && (
        <g stroke={ink} strokeWidth={5} fill={ink}>
          <line x1={load[0]} x2={load[0]} y1={-load[1] + PLATE_MM} y2={0} strokeDasharray="16 16" />
        </g>
      )}
      {!isPlain && (
        <g stroke="var(--color-base-content)" strokeWidth={8} fill="none">
          <circle cx={at(centre)[0]} cy={at(centre)[1]} r={26} fill="var(--color-base-100)" />
          <path d={`M${centre[0] - 26} ${-centre[1]}h52M${centre[0]} ${-centre[1] - 26}v52`} />
        </g>
      )}
    </g>
  );
}
