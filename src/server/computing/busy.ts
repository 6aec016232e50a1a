/** Something that cannot be asked to hurry was ended after its time. */
export class TookTooLong extends Error {
  constructor() {
    super("This took too long to work out.");
    this.name = "TookTooLong";
  }
}

/** There is more to compute than may wait; whoever asks may come back in a moment. */
export class TooBusy extends Error {
  /** When to come back, in seconds. */
  readonly retryAfterSeconds = 2;

  constructor() {
    super("Too much is being computed at once.");
    this.name = "TooBusy";
  }
}
