import type { Factor } from "../question";
import { build, tall } from "./build";
import { findings, free, near, order, state } from "./condition";
import { comfort, familiarity, hands, readiness } from "./person";
import { emptyMass, family, rack, station, turnover } from "./possible";
import { meeting, purpose } from "./purpose";
import { centreKnurl, knurl, marks, sleeves, slowShaft, stiffness, thickness } from "./shaft";
import { margin, rating } from "./strength";

/** Everything that is weighed (handbook §7), in the order in which equal reasons are said. */
export const FACTORS: readonly Factor[] = [
  state,
  rack,
  station,
  turnover,
  family,
  rating,
  margin,
  emptyMass,
  comfort,
  readiness,
  build,
  tall,
  hands,
  meeting,
  purpose,
  sleeves,
  stiffness,
  slowShaft,
  thickness,
  knurl,
  centreKnurl,
  marks,
  familiarity,
  findings,
  order,
  free,
  near,
];
