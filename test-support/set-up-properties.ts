import fc from 'fast-check';

/**
 * Drawn cases are the same in every run of `npm test`, so that a red run says something of the change under test.
 * `npm run properties` draws others: PROPERTY_SEED names the seed, and a failure prints it.
 */
fc.configureGlobal({ seed: Number(process.env.PROPERTY_SEED ?? 20_261_127) });
