/** What whoever carries the requests tells of the one under way; see scripts/serve.mjs. */
export interface CarriedRequest {
  isUnavailable: boolean;
  /** Where it came from. */
  address: string;
  /** What it asks for, without its query. */
  path: string;
  /** Kept as soon as the first of the answer is on its way. */
  begun: Promise<void>;
  /** Aborted when the asker has gone before the answer was out. */
  signal: AbortSignal;
}

/** The request under way, where the program's own server carries it; undefined in development and in tests. */
export function carriedRequest(): CarriedRequest | undefined {
  const { garrisonRequests } = globalThis as { garrisonRequests?: { getStore(): CarriedRequest | undefined } };
  return garrisonRequests?.getStore();
}
