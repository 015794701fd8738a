import 'temporal-polyfill/global';
import { parentPort, workerData } from 'node:worker_threads';
import type { ForeignTask } from './foreignTasks';
import { FOREIGN_TASKS } from './foreignTasks';

/** The body of the thread: it says that it has begun, does one task, and answers. */
async function work(): Promise<void> {
  const { task, input } = workerData as { task: ForeignTask; input: never };
  parentPort!.postMessage({ begun: true });
  parentPort!.postMessage({ answer: await FOREIGN_TASKS[task](input) });
}

void work();
