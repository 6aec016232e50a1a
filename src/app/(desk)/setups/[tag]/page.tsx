import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { cache } from "react";
import { inParts } from "@/app/inParts";
import type { Build } from "@/core/balance/body";
import { valueOf } from "@/core/bars/bar";
import { FAMILIES } from "@/core/bars/families";
import { presetsOf } from "@/core/setups/armSettings";
import { type FrameChart, type FrameQuestion, type FrameSetting, STANDARD_HEIGHT_MM } from "@/core/setups/frame";
import { DROP_ORDERS, type DropOrder, frameDropSet, frameLadder, MAX_DROPS } from "@/core/setups/frameLadder";
import { waysTo, type FrameWay } from "@/core/setups/frameWays";
import { frameAnswerOf, setupCard, type CardAsk } from "@/core/setups/setupCard";
import { frameSettingOf, settingOfFrame, settingWords, startingSetting } from "@/core/setups/setupOptions";
import { mostAlike } from "@/core/setups/similarLifters";
import { listPlates } from "@/server/equipment";
import { matchingRules } from "@/server/rules";
import { may, requestContext } from "@/server/access";
import {
  barToSet,
  currentSetting,
  keptSettings,
  liftersToSet,
  liftsToSet,
  settingSheet,
  stationHoles,
  usualKgOf,
} from "@/server/setups";
import { href, readSearch, type SearchParams } from "@/ui/kit/search";
import { ArmDropSet } from "@/ui/setups/ArmDropSet";
import { FrameLadder } from "@/ui/setups/FrameLadder";
import { SetupBench } from "@/ui/setups/SetupBench";
import { readSetupState, setupHref } from "@/ui/setups/setupState";
import { copyAction, keepAction, standAction } from "../actions";

type Params = Promise<{ tag: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: `Setting ${decodeURIComponent((await params).tag)}` };
}

const dropOrderOf = (text: string | undefined): DropOrder => DROP_ORDERS.find((one) => one === text) ?? "quickest";

/** Every height of a frame, and the drop set that the address asks for. */
function ladderOf(
  chart: FrameChart,
  {
    present,
    search,
    gripWidthMm,
    question,
  }: {
    present: FrameSetting;
    search: Record<string, string | undefined>;
    gripWidthMm: number | null;
    question: FrameQuestion;
  },
) {
  const rungs = frameLadder(chart, question, present, gripWidthMm);
  const known = rungs.map(({ gripHeightMm }) => Math.round(gripHeightMm));
  const heights = [...new Set((search.drop ?? "").split(",").map(Number))]
    .filter((height) => known.includes(height))
    .slice(0, MAX_DROPS);
  const order = dropOrderOf(search.order);
  return {
    rungs,
    drop:
      heights.length === 0
        ? null
        : { heights, order, ...frameDropSet(chart, question, present, { heightsMm: heights, order, gripWidthMm }) },
  };
}

/** The lift that a family's setting is looked at with first. */
const FIRST_LIFT: Record<string, string> = {
  frame: "deadlift",
  "multi-grip": "bench",
  bowed: "bench",
  yoke: "back-squat-high",
  cambered: "back-squat-high",
};

/** Read once for a page, however many ask. */
const setOf = cache(async (tag: string) => barToSet(await requestContext(), tag));

async function lead({ params }: { params: Params }) {
  if (!(await setOf(decodeURIComponent((await params).tag)))) notFound();
}

async function SetupPage({ params, searchParams }: { params: Params; searchParams: SearchParams }) {
  const context = await requestContext();
  const tag = decodeURIComponent((await params).tag);
  const search = await readSearch(searchParams);
  const [found, people, lifts, rules, plates] = await Promise.all([
    setOf(tag),
    liftersToSet(context),
    liftsToSet(context),
    matchingRules(context),
    listPlates(context),
  ]);
  const set = found!;
  const lifter = people.find(({ row }) => row.key === search.lifter) ?? null;
  const firstLift = FIRST_LIFT[FAMILIES[set.bar.family].form] ?? "deadlift";
  const kept = await keptSettings(context, { barId: set.id, withHistory: true });
  const own = kept.filter(({ isCurrent, lifterKey }) => isCurrent && lifterKey === lifter?.row.key);
  const liftKey = lifts.some(({ key }) => key === search.lift) ? search.lift! : (own[0]?.liftKey ?? firstLift);
  const lift = lifts.find(({ key }) => key === liftKey) ?? null;
  const mine = lifter && (await currentSetting(context, lifter.row.id, set.id, liftKey));
  const usualKg = lifter ? usualKgOf(lifter.row.usualLoads, liftKey) : null;
  const preset =
    set.chart?.kind === "arm" && search.like
      ? (presetsOf(set.chart).find(({ key }) => key === search.like)?.setting ?? null)
      : null;
  const state = readSetupState(search, {
    options: set.options,
    start: preset ? { mark: preset.mark, pin: preset.pin } : (mine?.setting ?? set.present),
    lift: liftKey,
    loadKg: usualKg ?? (FAMILIES[set.bar.family].form === "frame" ? 100 : 80),
  });
  // A wish without a setting shows the nearest way at once.
  const isAsked = set.options.some(({ key }) => search[key] !== undefined);
  const build: Build | null = lifter ? lifter.build : state.build;
  const holes = await stationHoles(context, {
    set,
    setting: state.setting,
    lift,
    build: lifter ? lifter.build : null,
    lifterId: lifter?.row.id ?? null,
  });
  const at = holes.find(({ key }) => key === (state.at || mine?.stationKey)) ?? null;
  const barKg = valueOf(set.bar, "mass") ?? 25;
  const frameQuestion = {
    plateDiameterMm: state.plateMm,
    kneesMm: state.kneesMm,
    rackMm: at?.kind === "rack" ? at.supportSpacingMm : null,
  };
  const present = frameSettingOf(set.present ?? startingSetting(set.options));
  const ways =
    set.chart?.kind === "frame"
      ? waysTo(
          set.chart,
          { gripHeightMm: state.wishHeightMm ?? STANDARD_HEIGHT_MM, gripWidthMm: state.wishWidthMm },
          { ...frameQuestion, barKg, perSideKg: Math.max(0, state.loadKg - barKg) / 2 },
          present,
        )
      : null;
  if (!isAsked && state.wishHeightMm !== null && ways?.ways[0])
    state.setting = settingOfFrame(set.options, { ...ways.ways[0].answer.setting, handMm: null });
  const ask: CardAsk = {
    bar: set.bar,
    chart: set.chart,
    options: set.options,
    setting: state.setting,
    like: lift?.like ?? null,
    build,
    totalKg: state.loadKg,
    handTorqueNm: rules.handTorqueNm,
    holes: at && { station: at.name, jCup: at.hole, ...(at.ruleHole === null ? {} : { safety: at.safetyHole }) },
    frame: frameQuestion,
    isNew: !mine,
  };
  const frame = frameAnswerOf(ask);
  const settingOf = (way: FrameWay) => settingOfFrame(set.options, { ...way.answer.setting, handMm: null });
  const linkOf = (way: FrameWay) => setupHref(tag, { ...search, hand: undefined }, settingOf(way));
  const ladder =
    set.chart?.kind === "frame"
      ? ladderOf(set.chart, {
          present,
          search,
          gripWidthMm: state.wishWidthMm,
          question: { ...frameQuestion, barKg, perSideKg: Math.max(0, state.loadKg - barKg) / 2 },
        })
      : null;
  const wordsOfSetting = (setting: FrameSetting) =>
    settingWords(
      set.options.filter(({ key }) => key !== "hand" && key !== "stands"),
      settingOfFrame(set.options, { ...setting, handMm: null }),
    );
  const addressWith = (change: Record<string, string | null>) =>
    setupHref(
      tag,
      { ...search, ...Object.fromEntries(Object.entries(change).map(([key, value]) => [key, value ?? undefined])) },
      {},
    );
  const others = people.filter(({ row }) => row.key !== lifter?.row.key);
  return (
    <SetupBench
      set={set}
      state={state}
      search={search}
      card={setupCard(ask)}
      drawing={settingSheet(ask)}
      build={build}
      lifter={lifter ? { key: lifter.row.key, name: lifter.row.name } : null}
      isMeasured={build !== null}
      lifters={people.map(({ row }) => ({ key: row.key, name: row.name }))}
      lifts={lifts}
      plates={[...new Set(plates.items.flatMap(({ diameterMm }) => (diameterMm ? [diameterMm] : [])))]}
      holes={holes}
      frame={frame}
      ways={ways}
      heights={
        ladder && set.chart?.kind === "frame" ? (
          <FrameLadder
            chart={set.chart}
            plateMm={state.plateMm}
            rungs={ladder.rungs}
            wordsOf={({ answer }) => wordsOfSetting(answer.setting)}
            drop={ladder.drop}
            hrefOf={addressWith}
          />
        ) : set.chart?.kind === "arm" ? (
          <ArmDropSet
            presets={presetsOf(set.chart)}
            present={set.present ? { mark: set.present.mark!, pin: set.present.pin! } : null}
            chosen={(search.drop ?? "").split(",")}
            order={dropOrderOf(search.order)}
            hrefOf={addressWith}
          />
        ) : null
      }
      wayWords={(way) =>
        settingWords(
          set.options.filter(({ key }) => key !== "hand" && key !== "stands"),
          settingOf(way),
        )
      }
      wayHref={linkOf}
      wayChange={(way) => ({ ...settingOf(way), hand: null })}
      kept={kept}
      likeFor={(setting) => {
        const from = people.find(({ row }) => row.key === setting.lifterKey);
        const to = people.filter(({ row }) => row.key !== setting.lifterKey);
        const alike = from?.build ? mostAlike(from.build, to) : [];
        const far = to.filter(({ row }) => !alike.some((one) => one.row.key === row.key));
        return [
          ...alike.map(({ row, apartMm }) => ({ key: row.key, name: row.name, apartMm })),
          ...far.map(({ row }) => ({ key: row.key, name: row.name, apartMm: null })),
        ];
      }}
      mayEdit={may(context, "setup.edit")}
      canCopy={others.length > 0}
      cardsHref={href("/setups/cards.pdf", { bar: tag })}
      keepAction={keepAction}
      standAction={standAction}
      copyAction={copyAction}
    />
  );
}

export default inParts(SetupPage, lead);
