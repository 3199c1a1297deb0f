import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';

/** What a line of the bench gave, and when. */
interface Measured {
  value: number;
  unit: string;
  on: string;
}

/** By kind of machine, then by line: only what was measured on the same kind can be compared. */
type History = Record<string, Record<string, Measured>>;

const file = new URL('../bench/history.json', import.meta.url).pathname;

const machine = `${cpus()[0]?.model.trim() ?? 'unknown'}, ${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.versions.node.split('.')[0]}`;

const history: History = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as History) : {};
const before = history[machine] ?? {};
const now: Record<string, Measured> = {};

/** Lines that missed their target, told again at the end. */
const missed: string[] = [];

/** Prints a line of the bench with its target and what it gave last on this kind of machine, and keeps it. */
export function report(what: string, value: number, unit: string, target?: number): void {
  const last = before[what];
  const parts = [
    `${what.padEnd(58)} ${value.toFixed(1).padStart(9)} ${unit}`,
    target === undefined
      ? ''
      : `target ${target} ${unit}${target === 0 ? '' : `, ratio ${(value / target).toFixed(2)}`}`,
    last ? `last ${last.value.toFixed(1)} on ${last.on}` : '',
  ];
  const line = parts.filter((p) => p !== '').join('  ');
  console.log(line);
  if (target !== undefined && value > target) missed.push(line);
  now[what] = { value: Math.round(value * 100) / 100, unit, on: new Date().toISOString().slice(0, 10) };
}

/** Keeps what was measured beside the bench, and tells what missed its target. */
export function closeHistory(): void {
  history[machine] = { ...before, ...now };
  writeFileSync(file, `${JSON.stringify(history, undefined, 2)}\n`);
  console.log(
    missed.length === 0 ? '\nEvery line met its target.' : `\nMissed their targets:\n${missed.join('\n')}`,
  );
}
