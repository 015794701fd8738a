import 'temporal-polyfill/global';
import { parentPort, workerData } from 'node:worker_threads';
import type { ForeignTask } from './foreignTasks';
import { FOREIGN_TASKS } from './foreignTasks';

const EVENTS_AT_ONCE = 500;

type WithEvents = Readonly<{ events: readonly unknown[] }>;
const hasEvents = (answer: unknown): answer is WithEvents =>
  typeof answer === 'object' && answer !== null && 'events' in answer;

/** Long lists go in portions: whoever receives them takes each apart by itself, and answers others in between. */
function* partsOf(answer: unknown): Generator<readonly unknown[]> {
  if (!hasEvents(answer)) return;
  for (let i = 0; i < answer.events.length; i += EVENTS_AT_ONCE)
    yield answer.events.slice(i, i + EVENTS_AT_ONCE);
}
const withoutEvents = (answer: unknown) => (hasEvents(answer) ? { ...answer, events: [] } : answer);

/** The body of the thread: it says that it has begun, does one task, and answers. */
async function work(): Promise<void> {
  const { task, input } = workerData as { task: ForeignTask; input: never };
  parentPort!.postMessage({ begun: true });
  const answer: unknown = await FOREIGN_TASKS[task](input);
  for (const part of partsOf(answer)) parentPort!.postMessage({ part });
  parentPort!.postMessage({ answer: withoutEvents(answer) });
}

void work();
