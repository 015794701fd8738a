import { Temporal } from 'temporal-polyfill';
import { sameDates, withClassDates } from '@/core/entries/classDates';
import type { Entry } from '@/core/entries/entry';
import { withInstants } from '@/core/entries/visibility';
import type { CourseId } from '@/core/ids';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/database';
import { entriesOf, replaceEntry } from '@/data/entries/entries';
import type { Change } from '@/data/history/change';
import { loadFrame } from '@/data/plan/loadPlan';

/** An entry whose dates that follow classes are where the classes now are; others come back as they are. */
export async function datedByClasses(reader: Reader, entry: Entry): Promise<Entry> {
  if (entry.kind !== 'assignment' || !(entry.atClass ?? entry.sectionDates)) return entry;
  const { courses } = await loadFrame(
    reader,
    entry.audience.map((part) => part.course),
  );
  return withInstants(withClassDates(entry, courses), requireZone(entry.tzid));
}

/** After classes changed: assignments of these courses whose dates follow them are dated anew. */
export async function followClasses(change: Change, courses: readonly CourseId[]): Promise<void> {
  const lastModified = Temporal.Instant.fromEpochMilliseconds(change.nowMs);
  for (const entry of await entriesOf(change, courses)) {
    if (entry.kind !== 'assignment' || !entry.atClass) continue;
    const dated = await datedByClasses(change, entry);
    if (dated.kind !== 'assignment' || sameDates(entry, dated)) continue;
    await replaceEntry(change, entry, { ...dated, sequence: entry.sequence + 1, lastModified });
  }
}
