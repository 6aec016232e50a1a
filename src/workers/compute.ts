import { readUpload, type Upload } from "@/api/upload";
import { choosePurchase } from "@/core/buying/choosePurchase";
import type { PurchaseQuestion } from "@/core/buying/purchaseQuestion";
import { packTurns, type TurnsQuestion } from "@/core/care/packTurns";
import { planClass, type ClassQuestion, type PlannedClass } from "@/core/classes/planClass";
import { reassignClass } from "@/core/classes/reassignClass";
import { keptAway } from "@/core/loading/keptAway";
import { load } from "@/core/loading/load";
import { planOrder } from "@/core/loading/plan/orderLifters";
import type { OrderQuestion } from "@/core/loading/plan/orderQuestion";
import { planSession } from "@/core/loading/plan/planSession";
import { planStations } from "@/core/loading/plan/planStations";
import type { PoolQuestion } from "@/core/loading/plan/poolQuestion";
import type { SessionQuestion } from "@/core/loading/plan/sessionQuestion";
import type { LoadQuestion } from "@/core/loading/question";
import { contradictions } from "@/core/rotation/contradictions";
import { planRotation } from "@/core/rotation/planRotation";
import type { RotationQuestion } from "@/core/rotation/rotationQuestion";
import { type StrengthQuestion, strengthOf } from "@/core/strength/strengthOf";

/** Of the time for a class, what looking for enough plates may take. */
const PLATES_SHARE = 0.2;

/** What a task may use: how much of its time is gone; at 1 and beyond it answers with what it has. */
export interface Allowance {
  spent: () => number;
}

/** A class of which something broke: what it was, and the entries concerned. */
export interface AgainQuestion extends ClassQuestion {
  before: PlannedClass;
  broken: readonly string[];
}

/** What is computed beside the server's own thread, by name. Questions and answers are plain values. */
export const TASKS = {
  load: (question: LoadQuestion) => load(question),
  loadAndWhy: (question: LoadQuestion) => {
    const answer = load(question);
    return { answer, away: keptAway(question, answer) };
  },
  sessionPlan: (question: SessionQuestion, { spent }: Allowance) => planSession(question, { spent }),
  lifterOrder: (question: OrderQuestion, { spent }: Allowance) => planOrder(question, { spent }),
  classPlan: (question: ClassQuestion, { spent }: Allowance) => planClass(question, () => spent() < PLATES_SHARE),
  platesOfClass: (question: PoolQuestion, { spent }: Allowance) =>
    planStations(question, { onProgress: () => spent() < 0.9 }),
  classAgain: ({ before, broken, ...question }: AgainQuestion, { spent }: Allowance) =>
    reassignClass(question, before, new Set(broken), () => spent() < 0.8),
  upload: (question: Upload) => readUpload(question),
  strength: (question: StrengthQuestion) => strengthOf(question),
  rotation: (question: RotationQuestion, { spent }: Allowance) => {
    const plan = planRotation(question, { spent });
    return { plan, problems: typeof plan === "string" ? contradictions(question) : [] };
  },
  purchase: (question: PurchaseQuestion, { spent }: Allowance) => choosePurchase(question, { spent }),
  careTurns: (question: TurnsQuestion) => packTurns(question),
};

export type TaskName = keyof typeof TASKS;
export type QuestionOf<Name extends TaskName> = Parameters<(typeof TASKS)[Name]>[0];
export type AnswerOf<Name extends TaskName> = ReturnType<(typeof TASKS)[Name]>;

/** A task as it is handed to a thread. */
export interface Assignment {
  task: TaskName;
  question: unknown;
  /** Time that it may take, in ms, counted from when the thread takes it up. */
  ms: number;
  /** One number that others can set: not 0 when nobody waits for the answer any more. */
  abandoned: SharedArrayBuffer;
}
