import type { Entry } from '@/core/entries/entry';
import { audienceOf, mainMoment } from '@/core/entries/entry';
import type { CourseId, HistoryId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { mailTexts } from '@/core/texts/mail';
import { momentLabel } from '@/core/time/dateLabels';
import { momentFrom } from '@/core/time/zonedWall';
import { entryById } from '@/data/entries/entries';
import { shownTo } from '@/data/entries/shown';
import type { HistoryRecord } from '@/data/history/undo';
import { withNames } from '@/data/history/personRefs';
import { historyRecord } from '@/data/history/undo';
import type { Letter } from '@/data/mail/outbox';
import { queueLetters } from '@/data/mail/outbox';
import { personById } from '@/data/people/people';
import { linesOfMovedPlans, studentsOfMovedPlans } from './movedPlans';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { Rows } from '@/data/rows';
import type { Reader } from '@/data/database';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** How long a letter is held, so that undoing the act still keeps it back. */
export const HELD_MS = 60_000;

type EntryRow = Rows['entries'];

/** Entries of an act that were there before and after it. */
const changedEntries = (record: HistoryRecord) =>
  record.changes.flatMap(({ table, id, before, after }) =>
    table === 'entries' && before && after
      ? [{ id, before: before as unknown as EntryRow, after: after as unknown as EntryRow }]
      : [],
  );

/** How many students had been shown what an act changed, or see the classes on which plans now stand. */
export async function whoHadSeen(reader: Reader, record: HistoryRecord): Promise<number> {
  const shown = await shownTo(
    reader,
    changedEntries(record).map((entry) => entry.id),
  );
  return new Set([...shown.map((row) => row.person), ...(await studentsOfMovedPlans(reader, record))]).size;
}

/** Whoever may tell students of an act: who may do the like now; who did it themselves, in whichever sections that was. */
export const mayTell = (actor: SignedIn, { courses, actor: by }: HistoryRecord): boolean =>
  may(actor, 'tellChange', {
    parts: courses.map((course) => ({ course: course as CourseId, ...(by === actor.person.id ? { sections: [] } : {}) })), // prettier-ignore
  }).ok;

/**
 * Writes to everybody who had been shown what an act changed: what it was, what it is now. The letters wait a minute;
 * undoing the act takes them back.
 */
export function tellChange(
  pembit: Pembit,
  actor: SignedIn,
  id: HistoryId,
): Promise<Outcome<{ told: number }>> {
  return pembit.queue.write(async (writer) => {
    const record = await historyRecord(writer, id);
    if (!record || record.undone) return refused('notFound');
    if (!mayTell(actor, record)) return refused('notFound');
    const { locale } = await schoolSettings(writer);
    const changed = changedEntries(record);
    const shown = await shownTo(
      writer,
      changed.map((entry) => entry.id),
    );
    const letters = new Map<string, string[]>(
      [...(await linesOfMovedPlans(writer, record, pembit.config.baseUrl))].map(([who, lines]) => [
        who,
        [...lines],
      ]),
    );
    for (const { id: entryId, before } of changed) {
      const entry = await entryById(writer, entryId as Entry['id']);
      if (!entry || audienceOf(entry).length === 0) continue;
      const line = mailTexts.changedLine(
        entry.title,
        momentLabel(momentFrom(before.start_local, before.tzid), locale),
        momentLabel(mainMoment(entry), locale),
        entry.kind !== 'note' && entry.cancelled !== undefined,
        `${pembit.config.baseUrl}/e/${entry.id}`,
      );
      for (const { person } of shown.filter((row) => row.entry === entryId))
        letters.set(person, [...(letters.get(person) ?? []), line]);
    }
    const [said] = await withNames(writer, [{ summary: record.summary }], historyTexts.somebody);
    const ready: Letter[] = [];
    for (const [personId, lines] of letters) {
      const person = await personById(writer, personId);
      if (person)
        ready.push({
          to: person.email,
          subject: mailTexts.changedSubject(said!.summary),
          text: mailTexts.changed(person.name, lines, actor.person.name),
          sender: actor.person.id,
        });
    }
    await queueLetters(writer, ready, pembit.now().epochMilliseconds, { holdMs: HELD_MS, history: id });
    return done({ told: ready.length });
  });
}
