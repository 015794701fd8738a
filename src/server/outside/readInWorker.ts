import type { ReadCalendar } from '@/core/icalendar/readCalendar';
import { TooMuch, inForeignThread } from '../worker/inForeignThread';
import { inSlices } from '../worker/inSlices';
import { eventFromPlain } from './plainCalendar';

/** What a thread is given to read: octets, or the path of a file. */
export type ReadJob = Readonly<{ octets?: Uint8Array; path?: string; tzid: string }>;

/** Reads a calendar in a thread of its own; undefined when it takes too long, or too much memory. */
export async function readInWorker(job: ReadJob): Promise<ReadCalendar | undefined> {
  try {
    const calendar = await inForeignThread('calendar', job);
    return { ...calendar, events: await inSlices(calendar.events, eventFromPlain) };
  } catch (error) {
    if (error instanceof TooMuch) return undefined;
    throw error;
  }
}
