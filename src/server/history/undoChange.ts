import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';
import type { CourseId, HistoryId, PersonId, SectionId, TermId } from '@/core/ids';
import type { Subject } from '@/core/may/may';
import { may } from '@/core/may/may';
import { rolesIn } from '@/core/may/role';
import { reverseOf, undoOf } from '@/core/may/undoing';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused, refusedBecause } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { undoTexts } from '@/core/texts/undo';
import type { Change } from '@/data/history/change';
import { withNames } from '@/data/history/personRefs';
import type { HistoryRecord, Obstacles } from '@/data/history/undo';
import { historyRecord, markUndone, putBack } from '@/data/history/undo';
import { takeBackLines } from '@/data/mail/gathered';
import { takeBackLetters } from '@/data/mail/outbox';
import { takeBackNotices } from '@/data/notices/notices';
import { hasAdministrator, haveInstructors } from '@/data/people/administrators';
import { readAnew } from '@/data/outside/calendars';
import { noteUsesOf } from '@/data/signup/bookings';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { perform } from './perform';
import { tellOfThings, thingsOf } from './undoneThings';
import { lettersOfBookings, refusalOfBookings } from './undoBookings';
import { refusalOfReplies } from './undoReplies';

/**
 * Takes an act back: whoever may do the reverse of it now, by the same rules as if they did it by itself. What it would put
 * back may have nothing left to hang on, or its place may be taken: then it has changed since, like a row that was written
 * again. What others have hung on it stays, and stands in the way.
 */
export async function undoChange(
  pembit: Pembit,
  actor: SignedIn,
  id: HistoryId,
): Promise<Outcome<{ summary: string }>> {
  try {
    return await perform(pembit, actor, 'undo', (change) => putActBack(pembit, actor, change, id));
  } catch (error) {
    if (error instanceof ForeignKeyConstraintError || error instanceof UniqueConstraintError)
      return refused('laterChanges');
    throw error;
  }
}

/** The sections whose classes an act changed. */
const sectionsOf = ({ changes }: HistoryRecord): SectionId[] =>
  changes.flatMap(({ table, before, after }) =>
    table === 'meetings' ? [before, after].flatMap((row) => (row ? [row.section_id as SectionId] : [])) : [],
  );

/** What an act was about. Whoever did it asks for what they did: for the sections of its classes, where it was about some. */
const subjectOf = (record: HistoryRecord, own: boolean): Subject => ({
  parts: record.courses.map((course) => ({
    course: course as CourseId,
    ...(own ? { sections: sectionsOf(record) } : {}),
  })),
  owner: record.actor as PersonId | null,
});

/** Why somebody may not undo an act; what they have nothing to do with is not there for them. */
function refusalOfUndo(actor: SignedIn, record: HistoryRecord): Refused | undefined {
  const own = record.actor === actor.person.id;
  const subject = subjectOf(record, own);
  if (reverseOf(record.act).some((act) => may(actor, act, subject).ok))
    return record.undone ? refused('alreadyUndone') : undefined;
  const staff = subject.parts.some((part) => rolesIn(actor, part).some((role) => role !== 'student'));
  return refused(own || staff ? 'undoNotYours' : 'notFound');
}

function refusalOf({ laterChanges, inTheWay }: Obstacles): Refused | undefined {
  if (laterChanges.length > 0)
    return refused(
      'laterChanges',
      laterChanges.map((table) => ({ field: table, message: 'This has changed again since.' })),
    );
  if (inTheWay.length === 0) return undefined;
  const rows = new Map<string, number>();
  for (const { table, rows: n } of inTheWay) rows.set(table, (rows.get(table) ?? 0) + n);
  const named = [...rows].map(([table, n]) => undoTexts.inTheWay(table, n));
  return refusedBecause('hangsOn', undoTexts.standsInTheWay({ what: named }));
}

/** What must never be lost: the last administrator of a school, the last instructor of a course. */
const leaders = async (change: Change, { courses }: HistoryRecord) => ({
  administrator: await hasAdministrator(change),
  instructors: await haveInstructors(change, courses),
});
type Leaders = Awaited<ReturnType<typeof leaders>>;

function leftWithout(before: Leaders, after: Leaders): Refused | undefined {
  if (before.administrator && !after.administrator) return refused('lastAdministrator');
  return before.instructors && !after.instructors ? refused('needsSuccessor') : undefined;
}

async function putActBack(
  pembit: Pembit,
  actor: SignedIn,
  change: Change,
  id: HistoryId,
): Promise<Outcome<{ summary: string }>> {
  const record = await historyRecord(change, id);
  if (!record) return refused('notFound');
  const wrong =
    refusalOfUndo(actor, record) ??
    (await refusalOfBookings(pembit, change, actor, record)) ??
    (await refusalOfReplies(change, record));
  if (wrong) return wrong;
  const before = await leaders(change, record);
  const things = await thingsOf(change, record);
  const writeLetters = await lettersOfBookings(pembit, change, actor, record);
  const obstacle =
    refusalOf(await putBack(change, record)) ?? leftWithout(before, await leaders(change, record));
  if (obstacle) return obstacle;
  change.concerns(...record.scopes);
  await tellOfThings(change, record, things);
  const slots = record.changes.flatMap(({ table, before, after }) =>
    table === 'bookings' ? [before, after].flatMap((row) => (row ? [String(row.slot_id)] : [])) : [],
  );
  await noteUsesOf(change, slots);
  for (const { table, id } of record.changes) if (table === 'terms') await readAnew(change, id as TermId);
  await writeLetters();
  await markUndone(change, record.id);
  await takeBackLetters(change, record.id);
  await takeBackLines(change, record.id);
  await takeBackNotices(change, record.id);
  change.actAs(undoOf(record.act));
  change.summarise(historyTexts.undid({ what: record.summary }));
  const [said] = await withNames(change, [{ summary: record.summary }], historyTexts.somebody);
  return done({ summary: said!.summary });
}
