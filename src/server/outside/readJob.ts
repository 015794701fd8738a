import 'temporal-polyfill/global';
import { readFile } from 'node:fs/promises';
import { parentPort, workerData } from 'node:worker_threads';
import { readCalendar } from '@/core/icalendar/readCalendar';
import type { ReadJob } from './readInWorker';
import { toPlain } from './plainCalendar';

/** The body of the thread that reads a calendar: whatever is in the file, the server goes on answering. */
async function read(): Promise<void> {
  const { octets, path, tzid } = workerData as ReadJob;
  parentPort!.postMessage(toPlain(readCalendar(octets ?? (await readFile(path!)), { tzid })));
}

void read();
