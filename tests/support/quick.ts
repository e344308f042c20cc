import fc from 'fast-check';

// Random tests stop after a moment where many runs are made one after another (scripts/mutate.mjs); else they run to their end.
const limit = Number(process.env.CROW_RANDOM_MS ?? 0);

// A random test that fails prints its seed; CROW_SEED=<seed> runs every random test with it again.
const seed = process.env.CROW_SEED;
if (seed !== undefined) fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(seed) });
if (limit > 0) fc.configureGlobal({ ...fc.readConfigureGlobal(), interruptAfterTimeLimit: limit, markInterruptAsFailure: false });
