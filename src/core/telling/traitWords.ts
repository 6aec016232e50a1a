import type { Cell } from "./cells";
import type { Trait } from "./traits";

/** What is asked, as one person asks another at the wall. Common practice, no source. */
export const TRAIT_QUESTIONS: Record<Trait, { ask: string; how: string }> = {
  shape: { ask: "What shape is it?", how: "Look at the whole bar." },
  colour: { ask: "What colour is the shaft?", how: "Look where no hand goes, beside the collar." },
  thickness: { ask: "How thick is the shaft?", how: "Close a hand around it. Hold it beside another bar." },
  collar: {
    ask: "How wide is the collar?",
    how: "The collar is the ring that plates rest against. Look along the bar, not at its height.",
  },
  knurlStop: { ask: "Where does the knurl stop?", how: "Follow the rough part out to the collar." },
  centreKnurl: { ask: "What is in the middle?", how: "Feel the middle of the shaft." },
  marks: { ask: "Which ring marks does it have?", how: "Smooth rings in the knurl, one each side or two." },
  length: { ask: "How long is it?", how: "Hold it beside another bar, end to end." },
  spin: { ask: "How do the sleeves turn?", how: "Push one sleeve with a finger, without plates." },
};

const WORDS: Record<string, string> = {
  "shape straight": "straight",
  "shape yoke": "pad and handles",
  "shape cambered": "ends hang low",
  "shape cambered-yoke": "pad, and ends hang low",
  "shape bowed": "arched",
  "shape frame": "a frame to stand in",
  "shape open-frame": "a frame, open on one side",
  "shape multi-grip": "a ladder of handles",
  "shape zigzag": "zigzag",
  "colour bright": "bright silver",
  "colour grey": "bare grey steel",
  "colour black": "black",
  "colour coated": "coated, like paint",
  "centreKnurl none": "smooth",
  "centreKnurl passive": "light knurl",
  "centreKnurl full": "rough knurl",
  "marks none": "no rings",
  "marks powerlifting": "rings further in, 810 mm apart",
  "marks weightlifting": "rings further out, 910 mm apart",
  "marks dual": "two pairs of rings",
  "spin fixed": "not at all",
  "spin little": "a little, then it stops",
  "spin on": "on and on",
};

/** A gap beside the collar that is none, in mm. */
const NO_GAP_MM = 5;

/**
 * One answer, short enough for a button.
 *
 * @returns words; lengths in mm, for the screen to show in the reader's unit
 */
export function answerText(trait: Trait, { word, range }: Pick<Cell, "word" | "range">): string {
  if (word !== null) return WORDS[`${trait} ${word}`] ?? word;
  const [from, to] = range!;
  if (trait === "knurlStop" && to <= NO_GAP_MM) return "at the collar";
  const size = sizeText(from, to, trait === "thickness" ? 0.5 : trait === "length" ? 10 : 1);
  return trait === "knurlStop" ? `${size} before the collar` : size;
}

function sizeText(from: number, to: number, step: number): string {
  const round = (mm: number) => Math.round(mm / step) * step;
  return round(from) === round(to) ? `${round(from)} mm` : `${round(from)} to ${round(to)} mm`;
}
