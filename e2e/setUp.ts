import { config } from 'chai';
import fc from 'fast-check';

/** Property tests run over the same cases every time, so that a red run is about the change; FOMRIK_SEED=123 tries others. */
fc.configureGlobal({ seed: Number(process.env['FOMRIK_SEED'] ?? 20261126) });

// Misspelt assertions are found by the types; a proxy round every assertion costs a tenth of the whole run.
config.useProxy = false;
