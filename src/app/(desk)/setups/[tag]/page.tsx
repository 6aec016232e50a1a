import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { cache } from "react";
import { inParts } from "@/app/inParts";
import type { Build } from "@/core/balance/body";
import { valueOf } from "@/core/bars/bar";
import { FAMILIES } from "@/core/bars/families";
import { presetsOf } from "@/core/setups/armSettings";
import type { FrameWay } from "@/core/setups/frameWays";
import { frameAnswerOf, setupCard, type CardAsk } from "@/core/setups/setupCard";
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
import { copyChoices } from "@/ui/setups/copyChoices";
import { FrameLadder } from "@/ui/setups/FrameLadder";
import { dropOrderOf, frameSettingWords, frameView, withoutHand } from "@/ui/setups/frameView";
import { SetupBench } from "@/ui/setups/SetupBench";
import { readSetupState, setupHref } from "@/ui/setups/setupState";
import { copyAction, keepAction, standAction } from "../actions";

type Params = Promise<{ tag: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: `Setting ${decodeURIComponent((await params).tag)}` };
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
  const heights =
    set.chart?.kind === "frame"
      ? frameView({
          ...{ chart: set.chart, options: set.options, present: set.present },
          ...{ state, search, barKg, question: frameQuestion },
        })
      : null;
  const ways = heights?.ways ?? null;
  if (!isAsked && state.wishHeightMm !== null && ways?.ways[0])
    state.setting = withoutHand(set.options, ways.ways[0].answer.setting);
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
  const settingOf = (way: FrameWay) => withoutHand(set.options, way.answer.setting);
  const wordsOf = (way: Pick<FrameWay, "answer">) => frameSettingWords(set.options, way.answer.setting);
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
        heights && set.chart?.kind === "frame" ? (
          <FrameLadder
            chart={set.chart}
            plateMm={state.plateMm}
            rungs={heights.rungs}
            wordsOf={wordsOf}
            drop={heights.drop}
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
      wayWords={wordsOf}
      wayHref={(way) => setupHref(tag, { ...search, hand: undefined }, settingOf(way))}
      wayChange={(way) => ({ ...settingOf(way), hand: null })}
      kept={kept}
      likeFor={({ lifterKey }) => copyChoices(lifterKey, people)}
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
