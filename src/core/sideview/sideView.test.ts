import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bodyOf } from "../balance/body";
import { CARRIES } from "../balance/carry";
import { againstModel, againstWords } from "./againstModel";
import { type Camera, pointAt, seenAt } from "./camera";
import { type JointMark, JOINT_MARKS, marksLack, type Pixel, type SideMarks } from "./marks";
import { onPicture, readStill } from "./readStill";
import { changedMarks, markNear, marksOf, pointOf, START_DISC, START_SCALE, startMarks } from "./stillState";

const rad = (degrees: number) => (degrees * Math.PI) / 180;
const BUILD = { heightMm: 1800, massKg: 85 };
/** How far joints of the near side and the bar's end lie from the lifter's middle; not what the reader assumes. */
const FLAT: Record<JointMark, number> = { ankle: 150, knee: 150, hip: 150, shoulder: 150, bar: 760 };
/** A body: knees out, hips in. */
const BODY: Record<JointMark, number> = { ankle: 150, knee: 165, hip: 140, shoulder: 200, bar: 760 };
const DISC_MM = 450;
const WIDTH = 1600;
const HEIGHT = 1200;

interface Scene {
  shankDeg: number;
  thighDeg: number;
  leanDeg: number;
  yawDeg: number;
  distanceMm: number;
  /** Of the marks, in pixels; left out for none. */
  off?: (i: number) => Pixel;
  facing?: "left" | "right";
  /** What whoever marks says of the camera. */
  said?: Partial<Pick<SideMarks, "cameraMm" | "cameraSide">>;
  withoutDisc?: boolean;
  depth?: Record<JointMark, number>;
}

/** A lifter of known pose as a pinhole camera sees them: an oracle of its own, without the reader's assumptions. */
function rendered({
  shankDeg,
  thighDeg,
  leanDeg,
  yawDeg,
  distanceMm,
  off,
  facing = "right",
  said,
  withoutDisc,
  depth = BODY,
}: Scene) {
  const body = bodyOf(BUILD);
  const way = facing === "right" ? 1 : -1;
  const knee = [body.shankMm * Math.sin(rad(shankDeg)), body.ankleMm + body.shankMm * Math.cos(rad(shankDeg))] as const;
  const hip = [
    knee[0] - body.thighMm * Math.cos(rad(thighDeg)),
    knee[1] + body.thighMm * Math.sin(rad(thighDeg)),
  ] as const;
  const shoulder = [
    hip[0] + body.trunkMm * Math.sin(rad(leanDeg)),
    hip[1] + body.trunkMm * Math.cos(rad(leanDeg)),
  ] as const;
  const at: Record<JointMark, readonly [number, number]> = {
    ankle: [0, body.ankleMm],
    knee,
    hip,
    shoulder,
    bar: [shoulder[0] - 50, shoulder[1] + 20],
  };
  const cameraHeight = 900;
  const camera: Camera = {
    distanceMm,
    yaw: rad(yawDeg) * way,
    focalPx: (1000 * distanceMm) / 2300,
    roll: 0,
    centre: [WIDTH / 2, HEIGHT / 2],
  };
  const see = ([x, y]: readonly [number, number], z: number) => seenAt(camera, [way * x, y - cameraHeight, z]);
  let i = 0;
  const marked = (place: Pixel): Pixel => {
    const [dx, dy] = off?.(i++) ?? [0, 0];
    return [place[0] + dx, place[1] + dy];
  };
  const [bx, by] = at.bar;
  const r = DISC_MM / 2;
  // The rim as it is seen, point by point; its extremes are what somebody marks.
  const rim = Array.from({ length: 720 }, (_, k) =>
    see([bx + r * Math.cos((k * Math.PI) / 360), by + r * Math.sin((k * Math.PI) / 360)], depth.bar),
  );
  const extreme = (of: (one: Pixel) => number) => rim.reduce((best, one) => (of(one) > of(best) ? one : best));
  const marks: SideMarks = {
    widthPx: WIDTH,
    heightPx: HEIGHT,
    points: Object.fromEntries(
      JOINT_MARKS.map((key) => [key, marked(see(at[key], depth[key]))]),
    ) as SideMarks["points"],
    disc: withoutDisc
      ? null
      : {
          points: {
            discLeft: marked(extreme(([x]) => -x)),
            discRight: marked(extreme(([x]) => x)),
            discTop: marked(extreme(([, y]) => -y)),
            discBottom: marked(extreme(([, y]) => y)),
          },
          diameterMm: DISC_MM,
        },
    scale: withoutDisc
      ? {
          points: { scaleA: see([-500, 200], 0), scaleB: see([-500, 1200], 0) },
          distanceMm: 1000,
          along: "upright",
        }
      : null,
    facing,
    cameraMm: distanceMm,
    cameraSide: "unknown",
    ...said,
  };
  return {
    marks,
    kneeDeg: 90 + thighDeg - shankDeg,
    hipDeg: 90 + thighDeg - leanDeg,
    barAhead: at.bar[0] - 0.25 * body.footMm,
  };
}

/** A generator that says the same on every day (Lehmer). */
function seeded(seed: number) {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}
const SEED = 20261128;

describe("the camera", () => {
  it("sees a point where the point of that pixel is", () =>
    fc.assert(
      fc.property(
        fc.record({
          distanceMm: fc.double({ min: 2000, max: 10_000, noNaN: true }),
          yaw: fc.double({ min: -0.6, max: 0.6, noNaN: true }),
          roll: fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        }),
        fc.tuple(
          fc.double({ min: -700, max: 700, noNaN: true }),
          fc.double({ min: -900, max: 900, noNaN: true }),
          fc.double({ min: -200, max: 900, noNaN: true }),
        ),
        (one, [x, y, z]) => {
          const camera: Camera = { ...one, focalPx: 1300, centre: [800, 600] };
          const [backX, backY] = pointAt(camera, seenAt(camera, [x, y, z]), z);
          expect(backX).toBeCloseTo(x, 6);
          expect(backY).toBeCloseTo(y, 6);
        },
      ),
      { seed: SEED },
    ));
});

describe("a still of a known pose", () => {
  const random = seeded(SEED);
  const between = (low: number, high: number) => low + (high - low) * random();
  const scene = (more: Partial<Scene>): Scene => ({
    shankDeg: between(5, 40),
    thighDeg: between(-10, 60),
    leanDeg: between(5, 70),
    yawDeg: 0,
    distanceMm: between(3000, 5500),
    facing: random() < 0.5 ? "left" : "right",
    ...more,
  });

  it("is read within 2° where the camera stands square: 100 figures, seed 20261128", () => {
    for (let i = 0; i < 100; i += 1) {
      const one = scene({ depth: FLAT });
      const { marks, kneeDeg, hipDeg } = rendered(one);
      const read = readStill(marks, BUILD.heightMm);
      expect(Math.abs(read.leanDeg.value - one.leanDeg), `lean ${i}`).toBeLessThan(2);
      expect(Math.abs(read.shankDeg.value - one.shankDeg), `shank ${i}`).toBeLessThan(2);
      expect(Math.abs(read.thighDeg.value - one.thighDeg), `thigh ${i}`).toBeLessThan(2);
      expect(Math.abs(read.kneeDeg.value - kneeDeg), `knee ${i}`).toBeLessThan(2);
      expect(Math.abs(read.hipDeg.value - hipDeg), `hip ${i}`).toBeLessThan(2);
    }
  });

  it("is read within what it says, the camera up to 15° out of square: 100 figures", () => {
    for (let i = 0; i < 100; i += 1) {
      const one = scene({ yawDeg: between(-15, 15) });
      const { marks, kneeDeg, hipDeg, barAhead } = rendered(one);
      const read = readStill(marks, BUILD.heightMm);
      for (const [name, found, truth] of [
        ["lean", read.leanDeg, one.leanDeg],
        ["knee", read.kneeDeg, kneeDeg],
        ["hip", read.hipDeg, hipDeg],
        ["bar", read.barAheadOfMidFootMm, barAhead],
        ["camera", read.cameraDeg!, Math.abs(one.yawDeg)],
      ] as const)
        expect(Math.abs(found.value - truth), `${name} ${i}, yaw ${one.yawDeg}`).toBeLessThanOrEqual(found.within);
    }
  });

  it("says no more than it knows and no less: where marks are put by hand, nineteen in twenty lie within", () => {
    let [inside, count] = [0, 0];
    for (let i = 0; i < 100; i += 1) {
      // A mark is 8 mm beside the joint, the distance paced out.
      const px = (8 / 2300) * 1000;
      const one = scene({
        yawDeg: between(-8, 8),
        // A plate's edge is sharper than a joint.
        off: (k) => [0, 1].map(() => (k < 5 ? px : 2) * (between(-1, 1) + between(-1, 1))) as unknown as Pixel,
      });
      const { marks, kneeDeg } = rendered({ ...one, said: { cameraMm: one.distanceMm * between(0.8, 1.25) } });
      const read = readStill(marks, BUILD.heightMm);
      for (const [found, truth] of [
        [read.leanDeg, one.leanDeg],
        [read.kneeDeg, kneeDeg],
      ] as const) {
        count += 1;
        if (Math.abs(found.value - truth) <= found.within) inside += 1;
        expect(found.within).toBeLessThan(13);
      }
    }
    expect(inside / count).toBeGreaterThanOrEqual(0.95);
  });

  it("is known better when somebody says on which side the camera stood", () => {
    const one = scene({ yawDeg: 12, facing: "right", leanDeg: 45 });
    const [blind, told] = [rendered(one).marks, rendered({ ...one, said: { cameraSide: "front" } }).marks].map(
      (marks) => readStill(marks, BUILD.heightMm),
    );
    expect(told!.leanDeg.within).toBeLessThanOrEqual(blind!.leanDeg.within);
    expect(Math.abs(told!.leanDeg.value - 45)).toBeLessThan(1.5);
  });

  it("says where the bar is to some centimetres where the camera looked along it, and hardly anything where nobody knows", () => {
    const one = scene({ yawDeg: 1.5, leanDeg: 40 });
    const [blind, square] = [rendered(one), rendered({ ...one, said: { cameraSide: "square" } })].map(
      ({ marks, barAhead }) => ({ read: readStill(marks, BUILD.heightMm).barAheadOfMidFootMm, barAhead }),
    );
    expect(Math.abs(square!.read.value - square!.barAhead)).toBeLessThan(square!.read.within);
    expect(square!.read.within).toBeLessThan(90);
    expect(blind!.read.within).toBeGreaterThan(square!.read.within);
  });
  it("needs no plate where a known distance is marked, and says then nothing of the camera", () => {
    const one = scene({ withoutDisc: true });
    const { marks } = rendered(one);
    const read = readStill(marks, BUILD.heightMm);
    expect(Math.abs(read.leanDeg.value - one.leanDeg)).toBeLessThan(2);
    expect(read.cameraDeg).toBeNull();
  });

  it("stands upright again by an upright that leans in a picture held askew", () => {
    const one = scene({ withoutDisc: true, facing: "right" });
    const { marks } = rendered(one);
    const turn =
      (deg: number) =>
      ([x, y]: Pixel): Pixel => {
        const [dx, dy, c, s] = [x - WIDTH / 2, y - HEIGHT / 2, Math.cos(rad(deg)), Math.sin(rad(deg))];
        return [WIDTH / 2 + dx * c - dy * s, HEIGHT / 2 + dx * s + dy * c];
      };
    const turned = (deg: number): SideMarks => ({
      ...marks,
      points: Object.fromEntries(
        Object.entries(marks.points).map(([key, at]) => [key, turn(deg)(at)]),
      ) as SideMarks["points"],
      scale: {
        ...marks.scale!,
        points: { scaleA: turn(deg)(marks.scale!.points.scaleA), scaleB: turn(deg)(marks.scale!.points.scaleB) },
      },
    });
    for (const deg of [-6, 4])
      expect(readStill(turned(deg), 1800).leanDeg.value).toBeCloseTo(readStill(marks, 1800).leanDeg.value, 1);
  });
});

describe("beside the model", () => {
  const square = (leanDeg: number) =>
    readStill(rendered({ shankDeg: 32, thighDeg: 0, leanDeg, yawDeg: 0, distanceMm: 4000 }).marks, BUILD.heightMm);
  const question = { build: BUILD, carry: CARRIES.high.carry, loadKg: 100, contactKg: 0 };
  it("a lifter who stands as the model does is as good as the same (handbook §8: 41.4° with the bar high)", () => {
    const reading = square(41.4);
    const against = againstModel(reading, question)!;
    expect(Math.abs(against.balance.trunkLeanDeg - 41.4)).toBeLessThan(1.5);
    expect(against.differs).toBe(false);
    expect(againstWords(against, reading)).toContain("as good as the same");
  });
  it("one who leans more, and one who leans less, are told apart", () => {
    const [more, less] = [square(60), square(22)];
    expect(againstWords(againstModel(more, question)!, more)).toContain("towards the toes");
    expect(againstWords(againstModel(less, question)!, less)).toContain("towards the heels");
  });
  it("lays its figure over the picture: ankle on ankle, and where the lifter stands as the model, joint on joint", () => {
    const { marks } = rendered({ shankDeg: 32, thighDeg: 0, leanDeg: 41.4, yawDeg: 0, distanceMm: 4000 });
    const reading = readStill(marks, BUILD.heightMm);
    const { figure } = againstModel(reading, question)!.balance;
    const over = (at: readonly [number, number]) =>
      onPicture(reading, marks.facing, [at[0] - figure.ankle[0], at[1] - figure.ankle[1]]);
    for (const joint of ["ankle", "knee", "hip", "shoulder"] as const) {
      const [x, y] = over(figure[joint]);
      expect(Math.hypot(x - marks.points[joint][0], y - marks.points[joint][1]), joint).toBeLessThan(14);
    }
  });
});

describe("marks", () => {
  const start = startMarks(1600, 1200);
  it("start where they can be read, and every one can be reached", () => {
    expect(marksLack(start)).toEqual([]);
    expect(marksOf(start)).toHaveLength(9);
    for (const mark of marksOf(start)) expect(markNear(start, pointOf(start, mark)!, 1)).toBe(mark);
    expect(markNear(start, [0, 0], 20)).toBeNull();
  });
  it("never leave the picture, by hand or by keys", () => {
    const moved = changedMarks(start, { kind: "move", mark: "hip", to: [-50, 5000] });
    expect(pointOf(moved, "hip")).toEqual([0, 1200]);
    expect(pointOf(changedMarks(moved, { kind: "nudge", mark: "hip", by: [3, 3] }), "hip")).toEqual([3, 1200]);
    // What is not there is not moved.
    expect(changedMarks(start, { kind: "move", mark: "scaleA", to: [1, 1] })).toBe(start);
  });
  it("come with a plate, with a known distance, with both, and say what lacks with neither", () => {
    const both = changedMarks(start, START_SCALE);
    expect(marksOf(both)).toHaveLength(11);
    const neither = changedMarks(start, { kind: "disc", diameterMm: null });
    expect(marksLack(neither).join()).toContain("no scale");
    expect(() => readStill(neither, null)).toThrow(RangeError);
    expect(changedMarks(neither, START_DISC).disc).toEqual(start.disc);
  });
  it("lists every problem at once", () => {
    const bad: SideMarks = {
      ...start,
      points: { ...start.points, knee: start.points.ankle, bar: [9999, 1] },
      cameraMm: 10,
      disc: { ...start.disc!, diameterMm: 5 },
    };
    expect(marksLack(bad)).toHaveLength(4);
  });
});
