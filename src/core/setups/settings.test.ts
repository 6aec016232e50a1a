import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import { drawBar } from "../drawing/drawBar";
import { carriedSheet, frameSheet } from "../drawing/setupSheet";
import { simulatedChart } from "../instruments/simulatedChart";
import { settingsOf } from "./armChart";
import { barAtSetting } from "./barAtSetting";
import { chartKindOf, chartTexts, readChart } from "./chartFields";
import { frameAnswer } from "./frame";
import { archAtMm, gripEffects, gripWidthOf, swingSeconds } from "./gripEffects";
import { pairsLeft, rackHole } from "./rackHeight";
import { setupCard, type CardAsk } from "./setupCard";
import { ARM_CHART, armBar, FRAME_CHART, FRAME_QUESTION, FRAME_SETTING } from "./setups.fixture";
import {
  frameSettingOf,
  isSameSetting,
  readSetting,
  settingOfFrame,
  settingWords,
  setupOptions,
  sidesDiffer,
  startingSetting,
} from "./setupOptions";
import { mostAlike, unlikeness } from "./similarLifters";

describe("charts as someone enters them", () => {
  it("come back as they were written", () => {
    for (const chart of [ARM_CHART, FRAME_CHART])
      expect(readChart(chart.kind, chartTexts(chart))).toEqual({ ok: true, chart });
  });
  it("belong to the families that adjust by marks or holes", () => {
    expect(chartKindOf("adjustable-yoke")).toBe("arm");
    expect(chartKindOf("open-frame")).toBe("frame");
    expect(chartKindOf("closed-frame")).toBe("frame");
    expect(chartKindOf("yoke")).toBeNull();
  });
  it("name every problem at once", () => {
    const read = readChart("arm", {
      marks: "1 = 20 | 1 = 30 | bent | 4 = 99 | 5 = 10 20 30",
      pins: "",
      hasHalfMarks: "perhaps",
      changesEmptyOnly: "yes",
      padKg: "9",
    });
    expect(read.ok).toBe(false);
    if (read.ok) return;
    const messages = read.problems.map(({ path, message }) => `${path}: ${message}`).join("\n");
    expect(messages).toContain("pins: pins of the distance: must be given");
    expect(messages).toContain("“perhaps” is neither yes nor no");
  });
  it("name the lines that cannot be read, are there twice or out of range", () => {
    const read = readChart("arm", { ...chartTexts(ARM_CHART), marks: "1 = 20 | 1 = 30 | bent | 4 = 99 | 5 = 1 2 3" });
    expect(read.ok ? [] : read.problems.map(({ message }) => message)).toEqual([
      "line 2: “1” is there twice",
      "line 3: “bent” is no “name = left right”",
      "line 4: must lie between -90 and 90",
      "line 5: “5 = 1 2 3” is no “name = left right”",
    ]);
  });
  it("refuse arms whose sides do not agree, and a grip too short for a hand", () => {
    const arm = readChart("arm", { ...chartTexts(ARM_CHART), marks: "1 = 20 25" });
    expect(arm.ok ? "" : arm.problems[0]!.message).toContain("both sides must agree");
    const frame = readChart("frame", { ...chartTexts(FRAME_CHART), gripToMm: "100" });
    expect(frame.ok ? "" : frame.problems[0]!.message).toContain("at least 90 mm");
  });
  it("take one number for both sides, and units that are said", () => {
    const read = readChart("arm", { ...chartTexts(ARM_CHART), marks: "low = -30°", pins: "A = 120,5 mm 121 mm" });
    expect(read).toMatchObject({
      ok: true,
      chart: {
        marks: [{ name: "low", leftDeg: -30, rightDeg: -30 }],
        pins: [{ name: "A", leftMm: 120.5, rightMm: 121 }],
      },
    });
  });
  it("are found by the simulated instruments: the same every time, another for another bar", () => {
    expect(simulatedChart("A1", null)).toEqual(simulatedChart("A1", null));
    expect(simulatedChart("A1", null)).not.toEqual(simulatedChart("A2", null));
    expect(simulatedChart("A1", ARM_CHART).deg["left.5"]).toBe(50);
    expect(simulatedChart("A1", ARM_CHART).mm["right.D"]).toBe(280);
    const { deg, mm } = simulatedChart("A3", null);
    const lines = (of: Record<string, number>, names: string[]) =>
      names.map((n) => `${n} = ${of[`left.${n}`]!.toFixed(1)} ${of[`right.${n}`]!.toFixed(1)}`).join(" | ");
    const read = readChart("arm", {
      ...chartTexts(ARM_CHART),
      marks: lines(deg, ["1", "2", "3", "4", "5", "6"]),
      pins: lines(mm, ["A", "B", "C", "D"]),
    });
    expect(read.ok && read.chart.kind === "arm" && settingsOf(read.chart).length).toBe(24);
  });
});

describe("what can be chosen of a bar", () => {
  const arm = setupOptions(armBar(), ARM_CHART);
  const frame = setupOptions(armBar({ family: "open-frame" }), FRAME_CHART);
  it("is its own marks, holes and grips and nothing else", () => {
    expect(readSetting(arm, { mark: "3", pin: "B" })).toEqual({ ok: true, setting: { mark: "3", pin: "B" } });
    const other = readSetting(arm, { mark: "7", pin: "B", hole: "2" });
    expect(other.ok ? [] : other.problems.map(({ message }) => message)).toEqual([
      "mark: this bar has no 7; it has 1, 2, 3, 4, 5, 6",
      "this bar has nothing called hole to set",
    ]);
    expect(readSetting(frame, { mark: "3", pin: "B" }).ok).toBe(false);
    expect(readSetting(arm, {}).ok).toBe(false);
  });
  it("reads half marks only where the bar has them", () => {
    const half = setupOptions(armBar(), { ...ARM_CHART, hasHalfMarks: true });
    expect(readSetting(half, { mark: "3½", pin: "A" }).ok).toBe(true);
    expect(readSetting(arm, { mark: "3½", pin: "A" }).ok).toBe(false);
  });
  it("of a frame goes to the geometry and back", () => {
    const setting = { ...startingSetting(frame), arms: "down", hole: "2", hand: "107" };
    expect(settingOfFrame(frame, frameSettingOf(setting))).toEqual(setting);
    expect(settingWords(frame, setting)).toBe(
      "arms down, handles up, handles point forward, hole 2, pins point out, stands off, hand along the handle 107 mm",
    );
    expect(isSameSetting(frame, setting, { ...setting, hand: "60" })).toBe(true);
    expect(isSameSetting(frame, setting, { ...setting, hole: "1" })).toBe(false);
    expect(readSetting(frame, { ...setting, hand: "long" }).ok).toBe(false);
  });
  it("must be alike on both sides", () => {
    expect(sidesDiffer(arm, { mark: "3", pin: "B" }, { mark: "3", pin: "B" })).toBeNull();
    expect(sidesDiffer(arm, { mark: "3", pin: "B" }, { mark: "4", pin: "B" })).toContain(
      "Left and right differ: mark 3 and 4. Set both alike",
    );
  });
  it("is a grip, an arch, a swing for the others, and nothing for a straight bar", () => {
    const keys = (family: "bowed" | "cambered" | "multi-grip" | "power") =>
      setupOptions({ ...testBar({ handleOffset: stated(40) }, { family }), gripOptions: ["a", "b"] }, null).map(
        ({ key }) => key,
      );
    expect(keys("bowed")).toEqual(["arch", "grip"]);
    expect(keys("cambered")).toEqual(["grip", "load"]);
    expect(keys("multi-grip")).toEqual(["grip", "side"]);
    expect(setupOptions(testBar(), null)).toEqual([]);
  });
});

describe("what grips, arches and swings change", () => {
  // By hand: 75 mm rise over 1310 mm; at 405 mm from the middle 75·(1 − (405/655)²) = 46.3 mm.
  it("follows the arch", () => {
    expect(archAtMm(75, 655, 405)).toBeCloseTo(46.33, 2);
    expect(archAtMm(75, 655, 0)).toBe(75);
    expect(archAtMm(75, 655, 655)).toBe(0);
    const bar = testBar({ ...MENS_BAR, camberDrop: stated(75) }, { family: "bowed" });
    const ask = { like: "bench", loadKg: 60, handTorqueNm: 50 };
    expect(gripEffects(bar, { arch: "up" }, ask)[0]).toContain("hands 810 mm apart they come 29 mm deeper");
    expect(gripEffects(bar, { arch: "down" }, ask)[0]).toContain("29 mm earlier");
    expect(gripEffects(bar, { arch: "up" }, { ...ask, like: "back-squat-high" })[0]).toContain("29 mm lower");
    expect(gripEffects({ ...bar, quantities: {} }, { arch: "up" }, ask)[0]).toContain("Measure the arch");
  });
  it("knows the pendulum: 300 mm swing in 1.1 s, and four times the drop in twice the time", () => {
    expect(swingSeconds(300)).toBeCloseTo(1.099, 3);
    expect(swingSeconds(1200)).toBeCloseTo(2 * swingSeconds(300), 9);
  });
  it("gives the correction reach of handbook §8: 51 mm at 100 kg", () => {
    const bar = testBar({ camberDrop: stated(300) }, { family: "cambered" });
    const text = gripEffects(bar, { load: "hanging" }, { like: "back-squat-high", loadKg: 100, handTorqueNm: 50 });
    expect(text.join(" ")).toContain("correct it by 51 mm");
  });
  test.each([
    ["440 mm apart, 15°", 440],
    ["240 mm apart, straight", 240],
    ["plain, any width", null],
    [undefined, null],
  ])("reads the width in “%s”", (words, width) => expect(gripWidthOf(words)).toBe(width));
  it("says nothing of a straight bar", () =>
    expect(gripEffects(testBar(), {}, { like: "bench", loadKg: 60, handTorqueNm: 50 })).toEqual([]));
});

describe("the bar as it is set", () => {
  it("is drawn, balanced and racked where its arms stand, and others stay as they are", () => {
    const set = barAtSetting(armBar(), ARM_CHART, { mark: "3", pin: "C" });
    expect(set.quantities.camberForward!.value).toBeCloseTo(0, 9);
    expect(set.quantities.camberDrop!.value).toBeCloseTo(180, 9);
    expect(barAtSetting(armBar(), ARM_CHART, { mark: "9", pin: "C" })).toEqual(armBar());
    const plain = testBar(MENS_BAR);
    expect(barAtSetting(plain, null, {})).toBe(plain);
  });
  it("lies in its drawing between load and pad for every setting", () => {
    for (const { mark, pin, forwardMm, dropMm } of settingsOf(ARM_CHART)) {
      const { extent } = drawBar(barAtSetting(armBar(), ARM_CHART, { mark, pin }), 1, "side");
      expect(extent.left).toBeLessThanOrEqual(Math.min(0, -forwardMm) + 1);
      expect(extent.top).toBeGreaterThanOrEqual(Math.max(0, dropMm) - 1);
      const sheet = carriedSheet(barAtSetting(armBar(), ARM_CHART, { mark, pin }), "x");
      const said = (sheet.texts ?? []).map(({ text }) => text).join(" ");
      if (Math.abs(forwardMm) >= 1) expect(said).toContain(`${Math.round(Math.abs(forwardMm))} mm`);
    }
  });
  it("of a frame has every number that is drawn inside its sheet", () => {
    const answer = frameAnswer(FRAME_CHART, FRAME_SETTING, FRAME_QUESTION);
    const sheet = frameSheet(FRAME_CHART, answer, { plateDiameterMm: 450, title: "x" });
    const said = sheet.texts!.map(({ text }) => text);
    expect(said).toEqual(expect.arrayContaining(["grip 375 mm", "205 mm clear", "560 mm between the grips"]));
    for (const { points } of sheet.lines!)
      for (const [x, y] of points) {
        expect(x).toBeGreaterThanOrEqual(sheet.extent.left);
        expect(x).toBeLessThanOrEqual(sheet.extent.right);
        expect(y).toBeGreaterThanOrEqual(sheet.extent.bottom);
        expect(y).toBeLessThanOrEqual(sheet.extent.top);
      }
  });
});

describe("a setup card", () => {
  const ask = (more: Partial<CardAsk> = {}): CardAsk => ({
    bar: armBar(),
    chart: ARM_CHART,
    options: setupOptions(armBar(), ARM_CHART),
    setting: { mark: "6", pin: "B" },
    like: "back-squat-high",
    build: { heightMm: 1930, massKg: 92 },
    totalKg: 100,
    handTorqueNm: 50,
    holes: { station: "Rack 1", jCup: 24, safety: 7 },
    isNew: true,
    ...more,
  });
  it("says before anything else that a bar may only be changed empty", () => {
    expect(setupCard(ask()).first[0]).toContain("only when it is empty");
    expect(setupCard(ask({ chart: { ...ARM_CHART, changesEmptyOnly: false } })).first).toEqual([]);
  });
  it("has numbers in both units", () => {
    const { numbers } = setupCard(ask());
    expect(numbers.find(({ label }) => label === "arm distance")).toEqual({
      label: "arm distance",
      text: "120 mm",
      imperial: "4.72 in",
    });
    expect(numbers.find(({ label }) => label === "J-cups, Rack 1")!.text).toBe("hole 24");
  });
  it("goes through pins, both sides, snug handles and a light set, in that order", () => {
    const { steps } = setupCard(ask({ bar: { ...armBar(), areHandlesRemovable: true } }));
    const at = (text: string) => steps.findIndex((step) => step.includes(text));
    const order = [
      "empty",
      "Left side: mark 6, pin B",
      "Left and right agree",
      "Pins are through",
      "snug",
      "light set",
    ];
    expect(order.map(at)).toEqual([...order.map(at)].sort((a, b) => a - b));
    expect(at("empty")).toBe(0);
    expect(at("light set")).toBe(steps.length - 1);
  });
  it("says snug only where handles screw in", () => {
    expect(setupCard(ask()).steps.join(" ")).not.toContain("snug");
    expect(setupCard(ask({ bar: { ...armBar(), areHandlesRemovable: false } })).steps.join(" ")).not.toContain("snug");
  });
  it("tells the hands and whether to let go by where the load lies, standing and at depth (handbook §9)", () => {
    const before = setupCard(ask());
    expect(before.hands).toMatch(/^Push the handles lightly away, elbows in/);
    expect(before.lettingGo).toMatch(/^It clamps itself and would stay without hands/);
    const behind = setupCard(ask({ setting: { mark: "1", pin: "C" } }));
    expect(behind.hands).toMatch(/^Pull the handles in and down/);
    expect(behind.lettingGo).toBe("Never let go: it rolls off the back.");
    const hinge = setupCard(ask({ like: "good-morning" }));
    expect(hinge.hands).toContain("let the handles come forward");
    expect(hinge.lettingGo).toMatch(/^Never let go in a hinge/);
    expect(setupCard(ask({ build: null })).lettingGo).toContain("nobody computed");
    const inFront = setupCard(ask({ like: "front-squat", setting: { mark: "6", pin: "D" } }));
    expect(inFront.lettingGo).toMatch(/^It clamps itself.*cannot be dumped forward/);
    expect(inFront.hands).toContain("Hold the handles high");
  });
  const built = (family: "yoke" | "low-yoke" | "cambered", like = "back-squat-high") => {
    const bar = armBar({ family });
    return setupCard(ask({ bar, chart: null, options: [], setting: {}, like }));
  };
  it("a yoke clamps itself, a low-yoke stays by its shape, a hung bar is pulled back on the way up", () => {
    expect(built("yoke").lettingGo).toMatch(/^It clamps itself/);
    expect(built("low-yoke").lettingGo).toMatch(/^It stays put/);
    expect(built("low-yoke").getOut).toContain("mind the grille");
    expect(built("low-yoke", "good-morning").lettingGo).toMatch(/^It stays by its shape/);
    expect(built("cambered").hands).toContain("pull it back a little on the way up");
    expect(built("cambered").lettingGo).toBe("Do not let go: it swings.");
  });
  it("shows how handles stand at depth as it was seen, and guesses nothing", () => {
    expect(setupCard(ask()).atDepth).toBeNull();
    const seen = { ...ARM_CHART, handlePoses: [{ mark: "6", pin: "B", text: "clear of the thighs" }] };
    expect(setupCard(ask({ chart: seen })).atDepth).toBe("Handles at depth: clear of the thighs.");
    const read = readChart("arm", { ...chartTexts(seen) });
    expect(read.ok && read.chart).toMatchObject({ handlePoses: seen.handlePoses });
    const wrong = readChart("arm", { ...chartTexts(seen), handlePoses: "6 = nothing" });
    expect(!wrong.ok && wrong.problems[0]!.path).toBe("handlePoses");
  });
  it("carries the cautions, and light for what is new", () => {
    expect(setupCard(ask()).cautions.join(" ")).toMatch(/First time.*light.*doctor or physiotherapist/s);
    expect(setupCard(ask({ isNew: false })).cautions.join(" ")).not.toContain("First time");
  });
  it("of a frame refuses hands off the axis", () => {
    const bar = armBar({ family: "open-frame" });
    const options = setupOptions(bar, FRAME_CHART);
    const setting = { ...startingSetting(options), direction: "back" };
    const card = setupCard(ask({ bar, chart: FRAME_CHART, options, setting, like: "deadlift", holes: null }));
    expect(card.refusals[0]).toContain("must cross back over the axis");
    const good = setupCard(ask({ bar, chart: FRAME_CHART, options, setting: startingSetting(options), holes: null }));
    expect(good.refusals).toEqual([]);
    expect(good.numbers[0]).toEqual({ label: "grip above the floor", text: "375 mm", imperial: "14.76 in" });
  });
});

describe("holes and lifters", () => {
  it("prefers what was used last and says when the rule differs", () => {
    expect(rackHole(18, null)).toEqual({ hole: 18, note: null });
    expect(rackHole(18, 18)).toEqual({ hole: 18, note: null });
    expect(rackHole(18, 17)).toEqual({ hole: 17, note: "used last; the rule says hole 18" });
    expect(rackHole(18, 20).note).toContain("tiptoe");
    expect(rackHole(null, 5)).toEqual({ hole: 5, note: null });
  });
  it("counts pairs of J-cups that store no bar", () =>
    expect([pairsLeft(2, 1), pairsLeft(1, 1), pairsLeft(1, 3)]).toEqual([1, 0, 0]));
  it("finds who is built alike, and nobody is unlike themselves", () => {
    const build = fc.record({
      heightMm: fc.integer({ min: 1400, max: 2200 }),
      massKg: fc.integer({ min: 40, max: 150 }),
    });
    fc.assert(
      fc.property(build, build, (a, b) => {
        expect(unlikeness(a, a)).toBe(0);
        expect(unlikeness(a, b)).toBeCloseTo(unlikeness(b, a), 9);
      }),
    );
    const near = mostAlike({ heightMm: 1900, massKg: 80 }, [
      { name: "far", build: { heightMm: 1600, massKg: 80 } },
      { name: "none", build: null },
      { name: "near", build: { heightMm: 1880, massKg: 110 } },
    ]);
    expect(near.map(({ name }) => name)).toEqual(["near", "far"]);
  });
});
