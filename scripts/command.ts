/** What the commands for the operator have in common. */
import type { Config } from '../src/server/config';

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

/** Asks the server that holds the data folder to do what a command says; what it refuses is the sentence that the operator reads. */
export async function askServer<T>(
  { baseUrl }: Config,
  route: string,
  command: object,
  proof: Readonly<Record<string, string>>,
): Promise<T> {
  const answer = await fetch(baseUrl + route, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...proof },
    body: JSON.stringify(command),
  }).catch(() => stop(`The server that holds the data folder does not answer at ${baseUrl}: set PORT or PEMBIT_BASE_URL.`)); // prettier-ignore
  const body = (await answer.json()) as T & { title?: string; errors?: { message: string }[] };
  return answer.ok ? body : stop(body.errors?.[0]?.message ?? body.title ?? 'The server refused.');
}
