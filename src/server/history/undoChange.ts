import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';
import type { CourseId, HistoryId, TermId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { historyRecord, markUndone, putBack } from '@/data/history/undo';
import { takeBackLetters } from '@/data/mail/outbox';
import { readAnew } from '@/data/outside/calendars';
import { noteUsesOf } from '@/data/signup/bookings';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { perform } from './perform';

/**
 * Takes an act back: whoever did it may, and the staff of all the courses it concerned. What it would put back may have
 * nothing left to hang on, or its place may be taken: then it has changed since, like a row that was written again.
 */
export async function undoChange(
  pembit: Pembit,
  actor: SignedIn,
  id: HistoryId,
): Promise<Outcome<{ summary: string }>> {
  try {
    return await putActBack(pembit, actor, id);
  } catch (error) {
    if (error instanceof ForeignKeyConstraintError || error instanceof UniqueConstraintError)
      return refused('laterChanges');
    throw error;
  }
}

function putActBack(pembit: Pembit, actor: SignedIn, id: HistoryId): Promise<Outcome<{ summary: string }>> {
  return perform(pembit, actor, 'undo', async (change) => {
    const record = await historyRecord(change, id);
    if (!record) return refused('notFound');
    const staffOfAll =
      record.courses.length > 0 &&
      record.courses.every((course) => isStaffOf(actor.viewer, course as CourseId));
    if (record.actor !== actor.person.id && !staffOfAll) return refused('notFound');
    if (record.undone) return refused('alreadyUndone');
    const { laterChanges } = await putBack(change, record);
    if (laterChanges.length > 0)
      return refused(
        'laterChanges',
        laterChanges.map((table) => ({ field: table, message: 'This has changed again since.' })),
      );
    const slots = record.changes.flatMap(({ table, before, after }) =>
      table === 'bookings' ? [before, after].flatMap((row) => (row ? [String(row.slot_id)] : [])) : [],
    );
    await noteUsesOf(change, slots);
    for (const { table, id } of record.changes) if (table === 'terms') await readAnew(change, id as TermId);
    await markUndone(change, record.id);
    await takeBackLetters(change, record.id);
    change.concerns(...record.scopes);
    change.summarise(historyTexts.undid(record.summary));
    return done({ summary: record.summary });
  });
}
