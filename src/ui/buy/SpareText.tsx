import { peopleText, type Spare } from "@/core/buying/offerGain";
import { listed } from "@/core/units/format";
import { verdictWords } from "./verdictWords";

const SHOWN_LIFTS = 3;

/** For which bars something steps in, one sentence each. */
export function SpareText({ spares }: { spares: readonly Spare[] }) {
  return spares.map(({ tag, lifts, people, from, to }) => (
    <li key={tag}>
      <strong>When {tag} is taken or out of service</strong>: “{verdictWords(to)}” instead of “{verdictWords(from)}” for{" "}
      {peopleText(people)} ({listed(lifts.slice(0, SHOWN_LIFTS)).toLowerCase()}
      {lifts.length > SHOWN_LIFTS && " …"})
    </li>
  ));
}
