import type { LiftGroup } from "@/core/matching/liftGroups";

type Points = readonly (readonly [number, number])[];

/** A lifter from the side in the segments of the balance figure, facing right, and where the load is; 100 × 100, y down. */
interface Pose {
  leg: Points;
  trunk: Points;
  arm: Points;
  head: readonly [number, number];
  disc: readonly [x: number, y: number, radius: number];
  /** What somebody lies on. */
  bench?: Points;
}

const POSES: Record<LiftGroup, Pose> = {
  squat: {
    ...{
      leg: [
        [62, 93],
        [46, 91],
        [66, 66],
        [34, 62],
      ],
      trunk: [
        [34, 62],
        [50, 34],
      ],
      arm: [
        [50, 34],
        [38, 50],
        [46, 32],
      ],
    },
    ...{ head: [61, 21], disc: [45, 30, 15] },
  },
  press: {
    ...{
      leg: [
        [86, 93],
        [80, 91],
        [76, 58],
        [60, 62],
      ],
      trunk: [
        [60, 62],
        [30, 62],
      ],
      arm: [
        [32, 62],
        [38, 44],
        [34, 28],
      ],
    },
    ...{
      head: [19, 59],
      disc: [34, 24, 15],
      bench: [
        [12, 73],
        [66, 73],
      ],
    },
  },
  pull: {
    ...{
      leg: [
        [60, 93],
        [46, 91],
        [56, 68],
        [34, 54],
      ],
      trunk: [
        [34, 54],
        [64, 36],
      ],
      arm: [
        [64, 36],
        [62, 56],
        [60, 76],
      ],
    },
    ...{ head: [77, 27], disc: [60, 78, 15] },
  },
  olympic: {
    ...{
      leg: [
        [60, 94],
        [46, 92],
        [52, 74],
        [47, 56],
      ],
      trunk: [
        [47, 56],
        [49, 35],
      ],
      arm: [
        [49, 35],
        [42, 24],
        [48, 12],
      ],
    },
    ...{ head: [58, 26], disc: [48, 14, 13] },
  },
  other: {
    ...{
      leg: [
        [58, 94],
        [46, 92],
        [49, 72],
        [46, 52],
      ],
      trunk: [
        [46, 52],
        [48, 28],
      ],
      arm: [
        [48, 28],
        [46, 48],
        [66, 42],
      ],
    },
    ...{ head: [53, 15], disc: [67, 41, 9] },
  },
};

const line = (points: Points) => points.map((point) => point.join(",")).join(" ");

/** What a group of lifts looks like; its name stands beside it. */
export function LiftPictogram({ group, className }: { group: LiftGroup; className?: string }) {
  const { leg, trunk, arm, head, disc, bench } = POSES[group];
  const limb = { fill: "none", stroke: "currentColor", strokeLinecap: "round", strokeLinejoin: "round" } as const;
  return (
    <svg viewBox="0 0 100 100" aria-hidden="true" className={className}>
      {bench && <polyline points={line(bench)} {...limb} strokeWidth={4} opacity={0.5} />}
      <circle cx={disc[0]} cy={disc[1]} r={disc[2]} fill="none" stroke="var(--color-primary)" strokeWidth={4} />
      <polyline points={line(leg)} {...limb} strokeWidth={9} />
      <polyline points={line(trunk)} {...limb} strokeWidth={13} />
      <polyline points={line(arm)} fill="none" stroke="var(--color-base-200)" strokeWidth={9} />
      <polyline points={line(arm)} {...limb} strokeWidth={6} />
      <circle cx={head[0]} cy={head[1]} r={8} fill="currentColor" />
      <circle cx={disc[0]} cy={disc[1]} r={3.5} fill="var(--color-primary)" />
    </svg>
  );
}
