import fc from "fast-check";

/** Every property starts from the same seed, so that a run says the same as the one before; a failure prints it. */
const seed = Number(process.env.TEST_SEED ?? 20_260_301);

fc.configureGlobal({ seed });
