import { candidateText, readCandidate, type Candidate } from "../bars/candidate";
import { readTags } from "../bars/wallQuery";
import { trimmed } from "../units/format";
import { convertTyped, readTyped } from "../units/typedQuantity";

/** Two to six bars lie over one another well; more would be a thicket. */
export const MAX_COMPARED = 6;

const START_LOAD_KG = 220;
const MAX_LOAD_KG = 2000;
const MAX_HANDS_MM = 1200;

/** What a comparison is asked, as its link says it. */
export interface ComparisonState {
  tags: string[];
  /** Codes of offers: "O7". */
  offers: string[];
  candidates: Candidate[];
  lift: string;
  loadKg: number;
  /** As it is to be shown, in kg. */
  loadText: string;
  /** Distance between the hands, or the width of the back; null for the lift's own. */
  handsMm: number | null;
  /** Key of the disc that the load is thought of in. */
  disc: string;
  /** Short name of the lifter whose size what changes is said for; empty for somebody of usual size. */
  lifter: string;
  /** The two that are compared in words, by their places in the comparison. */
  pair: readonly [number, number];
}

/**
 * A comparison from the address of its page.
 *
 * @returns kg and mm; what is not understood is as the page starts
 */
export function readComparison(search: Record<string, string | undefined>): ComparisonState {
  const tags = readTags(search.bars, MAX_COMPARED);
  const offers = readTags(search.offers, MAX_COMPARED).slice(0, MAX_COMPARED - tags.length);
  const candidates = (search.try ?? "")
    .split(";")
    .flatMap((text) => readCandidate(text) ?? [])
    .slice(0, MAX_COMPARED - tags.length - offers.length);
  const typed = search.load === undefined ? null : readTyped(search.load, "kg");
  const kg = typed ? convertTyped(typed) : NaN;
  const loadKg = kg > 0 && kg <= MAX_LOAD_KG ? kg : START_LOAD_KG;
  const typedHands = search.hands ? readTyped(search.hands, "mm") : null;
  const hands = typedHands ? convertTyped(typedHands) : NaN;
  return {
    tags,
    offers,
    candidates,
    lift: search.lift ?? "deadlift",
    loadKg,
    loadText: trimmed(loadKg, 2),
    handsMm: hands >= 0 && hands <= MAX_HANDS_MM ? hands : null,
    disc: search.plates ?? "",
    lifter: (search.lifter ?? "").slice(0, 64),
    pair: pairOf(search.pair),
  };
}

/**
 * The parameters that say a comparison; what is as it starts is left out.
 *
 * @returns parameters by name; null takes one away
 */
export function comparisonParams(state: ComparisonState): Record<string, string | null> {
  return {
    bars: state.tags.join(",") || null,
    offers: state.offers.join(",") || null,
    try: state.candidates.map(candidateText).join(";") || null,
    lift: state.lift === "deadlift" ? null : state.lift,
    load: state.loadKg === START_LOAD_KG ? null : state.loadText,
    hands: state.handsMm === null ? null : String(state.handsMm),
    plates: state.disc || null,
    lifter: state.lifter || null,
    pair: state.pair.join() === "0,1" ? null : state.pair.join(),
  };
}

/** "0,2": two different places; anything else is the first two. */
function pairOf(text: string | undefined): readonly [number, number] {
  const [one, two] = (text ?? "").split(",").map(Number);
  const isPlace = (place: number | undefined): place is number =>
    Number.isInteger(place) && place! >= 0 && place! < MAX_COMPARED;
  return isPlace(one) && isPlace(two) && one !== two ? [one, two] : [0, 1];
}
