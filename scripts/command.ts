/** What the commands for the operator have in common. */

/** Ends with a sentence for the operator. */
export function stop(sentence: string): never {
  console.error(sentence);
  process.exit(1);
}

/** A line that says how far the work is, written over itself on a terminal and left out elsewhere. */
export const progressLine = (what: string) => (done: number, of: number) => {
  if (process.stderr.isTTY) process.stderr.write(`\r${what}: ${done} of ${of}${done === of ? '\n' : ''}`);
};

/** Runs the work of a command; what it throws is the sentence that the operator reads. */
export async function orStop<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    return stop(error instanceof Error ? error.message : String(error));
  }
}
