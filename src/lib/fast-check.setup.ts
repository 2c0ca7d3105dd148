import { configureGlobal } from 'fast-check';

/** The seed of all random tests, so that a run can be had again: `SEED=7 npx vitest run`. Printed by the test script. */
configureGlobal({ seed: Number(process.env.SEED ?? 1) });
