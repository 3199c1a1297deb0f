import { fork } from 'node:child_process';
import { dissectionOver, overBestKnown, squaresOver } from './nesting';

/** How much longer than whole, or than the best known, the strips of the bench lie; shares. */
interface Strips {
  squares: number;
  shapes: number;
  slanting: number;
}

const STRIP_MS = { squares: 30_000, shapes: 30_000, slanting: 20_000 };

/** The strips on the other core, while this one lays something else. */
export const stripsBeside = (): Promise<Strips> =>
  new Promise((resolve, reject) => {
    const child = fork(new URL('./strips.mjs', import.meta.url).pathname, ['beside']);
    child.once('message', (found) => resolve(found as Strips));
    child.once('error', reject);
    child.once('exit', (code) => code !== 0 && reject(new Error(`The strips ended with ${code}.`)));
  });

if (process.argv[2] === 'beside' && process.send) {
  process.send({
    squares: squaresOver(STRIP_MS.squares),
    shapes: overBestKnown(STRIP_MS.shapes),
    slanting: dissectionOver(20, STRIP_MS.slanting),
  } satisfies Strips);
  process.disconnect();
}
