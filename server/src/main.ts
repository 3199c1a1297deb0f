import { parseArgs } from 'node:util';
import { end } from './end';
import { backup, restore } from './moving';
import { serve } from './serve';

const known = {
  data: { type: 'string', default: process.env['FOMRIK_DATA'] ?? '.data' },
  port: { type: 'string', default: process.env['FOMRIK_PORT'] ?? '4600' },
  lan: { type: 'boolean', default: false },
  cert: { type: 'string' },
  key: { type: 'string' },
  seed: { type: 'string' },
  samples: { type: 'string' },
  web: { type: 'string' },
  backup: { type: 'string' },
  restore: { type: 'string' },
} as const;

function options() {
  try {
    return parseArgs({ options: known }).values;
  } catch (error) {
    const names = Object.keys(known).map((name) => `--${name}`);
    return end(`${(error as Error).message} Known are ${names.join(', ')}.`, 2);
  }
}

const { data, backup: toFile, restore: fromFile, port, ...values } = options();
const wanted = Number(port);
if (!Number.isInteger(wanted) || wanted < 0 || wanted > 65535)
  end(`Port “${port}” is not a whole number from 0 to 65535.`, 2);
if ((values.cert === undefined) !== (values.key === undefined))
  end('A certificate needs its key: name both, --cert and --key.', 2);

if (toFile !== undefined) await backup(data, toFile);
else if (fromFile !== undefined) await restore(data, fromFile);
else await serve({ data, port: wanted, ...values });
