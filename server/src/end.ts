/** Ends the process with one sentence, and no stack. */
export function end(message: string, exitCode: number): never {
  console.error(message);
  process.exit(exitCode);
}
