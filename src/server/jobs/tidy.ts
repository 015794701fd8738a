import { readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { Temporal } from 'temporal-polyfill';
import { ARCHIVES_AFTER_DAYS, daysKept } from '@/core/frame/retention';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { forgetTombstones } from '@/data/entries/tombstones';
import type { HistoryId } from '@/core/ids';
import { recordChange } from '@/data/history/change';
import { coursesArchivedBefore, coursesThatEnded } from '@/data/jobs/endedCourses';
import { forgetAct, forgetForAge, forgetOutdated } from '@/data/jobs/outdated';
import { forgetUnusedFiles } from '@/data/materials/files';
import { tidyGuardians } from '@/data/guardians/guardians';
import { forgetCursors } from '@/data/following/followed';
import { forgetAnswered } from '@/data/requests/answered';
import { forgetNotices } from '@/data/notices/notices';
import { forgetReminded } from '@/data/students/reminded';
import { noteInOffice } from '@/data/people/officeLog';
import { personById } from '@/data/people/people';
import { erasePerson } from '@/data/people/personalData';
import { removeCourse } from '@/data/plan/removeCourse';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { removeStored } from '../materials/fileStore';
import { noteErasure } from '../people/erasures';
import type { Pembit } from '../pembit';

const DAY_MS = 24 * 3_600_000;
/** How long it is known of what one was reminded: longer than anything is reminded of before it is. */
/** Notices are said or given up within hours; the counts of a telling are looked at for some days. */
const NOTICES_MS = 30 * DAY_MS;
const REMINDED_MS = 60 * DAY_MS;
/** How long a guardian's address holds after the child's last roster, and how long it is known when it was read. */
const UNENROLLED_MS = 60 * DAY_MS;
const READS_MS = 30 * DAY_MS;
/** How long a cursor of whoever follows changes is known. */
const CURSORS_MS = 30 * DAY_MS;
/** How long an uploaded file may wait for something that leads to it. */
const UNUSED_FILES_MS = 7 * DAY_MS;
/** How long a copy made before a migration is of use; longer it would keep what the school has forgotten. */
const COPIES_MS = 30 * DAY_MS;

/** Puts courses out of the way whose term ended so long ago. Their instructors can bring them back. */
async function archiveEnded(pembit: Pembit): Promise<void> {
  const now = pembit.now();
  const today = Temporal.PlainDate.from(now.toString().slice(0, 10));
  const courses = await coursesThatEnded(pembit, today.subtract({ days: ARCHIVES_AFTER_DAYS }));
  for (const { id, code } of courses)
    await recordChange(
      pembit.queue,
      { act: 'archiveCourse', summary: frameHistoryTexts.archived({ code }), actor: null, nowMs: now.epochMilliseconds },
      async (change) => {
        await change.update('courses', id, { archived_at: change.nowMs });
        change.concerns(`course:${id}`);
      },
    ); // prettier-ignore
}

/** Deletes courses that have been archived for longer than the school keeps them. */
async function forgetCourses(pembit: Pembit, beforeMs: number): Promise<void> {
  const nowMs = pembit.now().epochMilliseconds;
  const courses = await coursesArchivedBefore(pembit, beforeMs);
  for (const { id, code } of courses) {
    const { history } = await recordChange(
      pembit.queue,
      { act: 'tidy', summary: frameHistoryTexts.deletedCourse({ code }), actor: null, nowMs },
      async (change) => {
        await removeCourse(change, id);
        change.concerns(`course:${id}`);
      },
    );
    // What goes for age goes: the act that took it away does not keep it.
    if (history) await pembit.queue.write((writer) => forgetAct(writer, history as HistoryId));
  }
}

/** Deletes copies of the database that were made before migrations, once they are a month old. */
function forgetCopies(folder: string): void {
  const copies = path.join(folder, 'backups');
  for (const name of readdirIfThere(copies))
    if (
      /^before-.+\.sqlite$/.test(name) &&
      Date.now() - statSync(path.join(copies, name)).mtimeMs > COPIES_MS
    )
      rmSync(path.join(copies, name));
}

function readdirIfThere(folder: string): string[] {
  try {
    return readdirSync(folder);
  } catch {
    return [];
  }
}

/**
 * Forgets what has run out, and what the school has decided to keep no longer, class by class; nothing for age while it holds
 * everything for a case. Courses that ended archive themselves.
 */
export async function tidy(pembit: Pembit): Promise<void> {
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(async (writer) => {
    await forgetOutdated(writer, nowMs);
    await forgetTombstones(writer, nowMs);
    await forgetReminded(writer, nowMs - REMINDED_MS);
    await forgetNotices(writer, nowMs - NOTICES_MS);
    const today = pembit.now().toString().slice(0, 10);
    await forgetAnswered(writer, nowMs - DAY_MS);
    await forgetCursors(writer, nowMs - CURSORS_MS);
    await tidyGuardians(writer, { nowMs, today, endMs: UNENROLLED_MS, readMs: READS_MS });
  });
  const unused = await pembit.queue.write((writer) => forgetUnusedFiles(writer, nowMs - UNUSED_FILES_MS));
  for (const hash of unused) await removeStored(pembit.config, hash);
  await archiveEnded(pembit);
  const { retention, heldFor } = await schoolSettings(pembit);
  if (heldFor !== '') return;
  const courseDays = daysKept(retention, 'courses');
  if (courseDays !== undefined) await forgetCourses(pembit, nowMs - courseDays * DAY_MS);
  const { people, hashes } = await pembit.queue.write((writer) => forgetForAge(writer, retention, nowMs));
  for (const hash of hashes) await removeStored(pembit.config, hash);
  for (const id of people) {
    const person = await personById(pembit, id);
    if (!person) continue;
    noteErasure(pembit.config.dataFolder, { id, at: nowMs });
    await pembit.queue.write(async (writer) => {
      await erasePerson(writer, person, nowMs);
      await noteInOffice({ ...writer, nowMs }, { act: 'erased', actor: null, person: id, detail: 'age' });
    });
  }
  forgetCopies(pembit.config.dataFolder);
}
