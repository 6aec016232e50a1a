import type { PoolQuestion } from "@/core/loading/plan/poolQuestion";
import type { LadderWish } from "@/core/loading/rounds";
import type { PoolStation } from "@/server/classes";
import type { PlateFaces } from "../load/Sleeve";

/** What the sheet and its parts are given. */
export interface PoolSheetProps {
  address: string;
  /** "18:30". */
  startsAt: string;
  question: PoolQuestion;
  stations: readonly PoolStation[];
  lifterOf: Readonly<Record<string, string>>;
  problems: readonly string[];
  faces: PlateFaces;
  only: "kg" | "lb" | null;
  ladder: LadderWish;
}
