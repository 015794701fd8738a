import { Temporal } from 'temporal-polyfill';
import type { CourseId } from '@/core/ids';
import { instantMs } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { select } from '../database';
import { entriesOf } from '../entries/entries';
import { changeEntryRows } from '../entries/writeEntries';
import type { Change } from '../history/change';
import type { Rows } from '../rows';
import { entryInZone } from '@/core/entries/entryInZone';

/** Entries and sheets of the courses under another zone: wall times stay, their instants are derived anew. */
export async function moveToZone(change: Change, courses: readonly CourseId[], tzid: string): Promise<void> {
  const zone = requireZone(tzid);
  for (const entry of await entriesOf(change, courses))
    await changeEntryRows(change, entry, entryInZone(entry, tzid));
  if (courses.length === 0) return;
  const ofCourses = 'SELECT sheet_id FROM sheet_audiences WHERE course_id IN (:courses)';
  const [sheets, slots] = await Promise.all([
    select<Rows['sheets']>(change, `SELECT * FROM sheets WHERE id IN (${ofCourses})`, { courses }),
    select<Rows['slots']>(change, `SELECT * FROM slots WHERE sheet_id IN (${ofCourses})`, { courses }),
  ]);
  for (const sheet of sheets)
    await change.update('sheets', sheet.id, {
      tzid,
      sequence: sheet.sequence + 1,
      modified_at: change.nowMs,
    });
  for (const slot of slots) {
    const startMs = instantMs(zone, Temporal.PlainDateTime.from(slot.start_local));
    await change.update('slots', slot.id, {
      start_at: startMs,
      end_at: startMs + slot.end_at - slot.start_at,
    });
  }
}
