import { setMaxListeners } from "node:events";
import { TooBusy } from "./busy";

interface Waiting {
  asker: string;
  atOnce: number;
  start: () => void;
}

/**
 * Lets so many pieces of work run at once in all, and so many at once for each asker; the others wait in the order they
 * came, up to a length, beyond which they are turned away.
 */
export class FairQueue {
  private readonly running = new Map<string, number>();
  private active = 0;
  private waiting: Waiting[] = [];

  constructor(
    private readonly maxAtOnce: number,
    private readonly maxWaiting: number,
  ) {}

  /**
   * @param atOnce how much of this asker's may run at once.
   * @param signal gives the place up when it is aborted while waiting.
   * @throws TooBusy when too many wait; the signal's reason when it is aborted before its turn.
   */
  async run<T>(asker: string, atOnce: number, signal: AbortSignal, work: () => Promise<T>): Promise<T> {
    signal.throwIfAborted();
    if (this.isFree(asker, atOnce)) this.begin(asker);
    else await this.turn(asker, atOnce, signal);
    try {
      return await work();
    } finally {
      this.end(asker);
    }
  }

  private isFree(asker: string, atOnce: number): boolean {
    return this.active < this.maxAtOnce && (this.running.get(asker) ?? 0) < atOnce;
  }

  private begin(asker: string): void {
    this.active += 1;
    this.running.set(asker, (this.running.get(asker) ?? 0) + 1);
  }

  private end(asker: string): void {
    this.active -= 1;
    const left = this.running.get(asker)! - 1;
    if (left > 0) this.running.set(asker, left);
    else this.running.delete(asker);
    for (const next of [...this.waiting]) {
      if (this.active >= this.maxAtOnce) return;
      if (!this.isFree(next.asker, next.atOnce)) continue;
      this.waiting.splice(this.waiting.indexOf(next), 1);
      this.begin(next.asker);
      next.start();
    }
  }

  private turn(asker: string, atOnce: number, signal: AbortSignal): Promise<void> {
    if (this.waiting.length >= this.maxWaiting) throw new TooBusy();
    // A page may ask for many parts at once; each of them listens until its turn comes, and that is no leak.
    setMaxListeners(0, signal);
    return new Promise((resolve, reject) => {
      const leave = () => {
        this.waiting = this.waiting.filter((one) => one !== place);
        reject(signal.reason as Error);
      };
      const place: Waiting = {
        asker,
        atOnce,
        start: () => {
          signal.removeEventListener("abort", leave);
          resolve();
        },
      };
      this.waiting.push(place);
      signal.addEventListener("abort", leave, { once: true });
    });
  }
}
