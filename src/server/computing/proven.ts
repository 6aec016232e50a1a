import "server-only";
import { createHash } from "node:crypto";

const MAX_KEPT = 300;

/**
 * Answers that were proven best: the same question has the same answer for ever, whatever is written meanwhile, since a
 * question carries everything that it depends on. The plan of a session is asked again with every look at its page, the
 * plates of 100 kg on a bar by everybody who lifts it that evening.
 */
export class ProvenAnswers {
  private readonly kept = new Map<string, unknown>();

  /** @returns the answer that was proven, or what `work` finds; shared, so nobody changes it. */
  async get<T>(task: string, question: unknown, work: () => Promise<T>, isProven: (answer: T) => boolean): Promise<T> {
    const key = createHash("sha256").update(task).update(JSON.stringify(question)).digest("base64");
    const known = this.kept.get(key);
    if (known !== undefined) {
      // The latest asked stay longest.
      this.kept.delete(key);
      this.kept.set(key, known);
      return known as T;
    }
    const answer = await work();
    if (!isProven(answer)) return answer;
    this.kept.set(key, answer);
    if (this.kept.size > MAX_KEPT) this.kept.delete(this.kept.keys().next().value!);
    return answer;
  }
}
