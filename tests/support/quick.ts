import fc from 'fast-check';

// Random tests stop after a moment where many runs are made one after another (scripts/mutate.mjs); else they run to their end.
const limit = Number(process.env.CROW_RANDOM_MS ?? 0);
if (limit > 0) fc.configureGlobal({ interruptAfterTimeLimit: limit, markInterruptAsFailure: false });
