import { randomUUID } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import type { Entry, EventEntry } from '@/core/entries/entry';
import { entryFromInput } from '@/core/entries/entryFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Series } from '@/core/series/editSeries';
import {
  continued,
  endBefore,
  isSeries,
  overrideOccurrence,
  remapped,
  ruleFrom,
} from '@/core/series/editSeries';
import type { Scope } from '@/core/series/scope';
import { historyTexts } from '@/core/texts/history';
import type { Moment } from '@/core/time/zonedWall';
import { momentText } from '@/core/time/zonedWall';
import { insertEntries, replaceEntry } from '@/data/entries/entries';
import type { Change } from '@/data/history/change';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';
import { checkedInput } from './checkedInput';
import { datedByClasses } from './followClasses';
import { occurrenceAt } from './occurrenceAt';

type Asked = Readonly<{ id: EntryId; sequence: number }> & Scope;
export type Changed = Readonly<{ entry: Entry; lost: readonly string[] }>;

/**
 * Writes an entry anew, under the same UID. `sequence` is the one that was shown when editing began: when it has grown
 * since, nothing is written. Of a series one occurrence, this and the later ones, or all are changed; `lost` names single
 * occurrences that differed and found no partner under another rule. An event can become an assignment and back; a note
 * stays one.
 */
export function changeEntry(
  pembit: Pembit,
  actor: SignedIn,
  asked: Asked,
  input: EntryInput,
): Promise<Outcome<Changed>> {
  return perform(pembit, actor, 'changeEntry', async (change) => {
    const found = await editableEntry(change, actor.viewer, asked.id);
    if (!found.ok) return found;
    const before = found.value;
    if ((before.kind === 'note') !== (input.kind === 'note'))
      return refused('badRequest', [{ field: 'kind', message: 'A note stays a note.' }]);
    if (before.sequence !== asked.sequence) return refused('changedMeanwhile');
    const checked = await checkedInput(pembit, change, actor, input);
    if (!checked.ok) return checked;
    const now = pembit.now();
    const identity = {
      id: before.id,
      uid: before.uid,
      sequence: before.sequence + 1,
      created: before.created,
      author: actor.person.id,
    };
    const made = entryFromInput(checked.value.input, identity, checked.value.zone, now, before);
    const after = await datedByClasses(change, made);
    change.summarise(historyTexts.changed(after.title));
    if (asked.scope === 'all' || before.kind !== 'event' || !isSeries(before)) {
      const { entry, lost } = wholeChange(before, after);
      await replaceEntry(change, before, entry);
      return done({ entry, lost });
    }
    const recurrenceId = occurrenceAt(before, asked.recurrenceId);
    if (after.kind !== 'event' || !recurrenceId)
      return refused('badRequest', [
        { field: 'recurrenceId', message: 'The series has no such occurrence.' },
      ]);
    return asked.scope === 'this'
      ? changeThis(change, { before, after, recurrenceId, now })
      : changeFollowing(change, { before, after, recurrenceId, now });
  });
}

function wholeChange(before: Entry, after: Entry): Changed {
  if (before.kind !== 'event' || after.kind !== 'event' || !isSeries(before) || !isSeries(after))
    return { entry: after, lost: [] };
  const { series, lost } = remapped(before, after);
  return { entry: series, lost: lost.map(momentText) };
}

type Part = Readonly<{ before: Series; after: EventEntry; recurrenceId: Moment; now: Temporal.Instant }>;

/** One occurrence: its title, place and time; everything else belongs to the series. */
async function changeThis(
  change: Change,
  { before, after, recurrenceId, now }: Part,
): Promise<Outcome<Changed>> {
  const changed = overrideOccurrence(before, recurrenceId, {
    title: after.title === before.title ? undefined : after.title,
    place: after.place === before.place ? undefined : after.place,
    start: after.when.start,
    end: after.when.end,
  });
  const entry = { ...changed, sequence: before.sequence + 1, lastModified: now };
  await replaceEntry(change, before, entry);
  return done({ entry, lost: [] });
}

/** The series ends before the occurrence, and another begins with it under a UID of its own. */
async function changeFollowing(
  change: Change,
  { before, after, recurrenceId, now }: Part,
): Promise<Outcome<Changed>> {
  const ended = endBefore(before, recurrenceId);
  // From the first one on is all of it.
  if (!ended) {
    const whole = wholeChange(before, after);
    await replaceEntry(change, before, whole.entry);
    return done(whole);
  }
  await replaceEntry(change, before, { ...ended, sequence: before.sequence + 1, lastModified: now });
  const fresh = { ...after, id: randomUUID() as EntryId, uid: randomUUID(), sequence: 0, created: now };
  const rule = after.recurrence?.rrule;
  // The rule as it stood: only what is left of it goes on. Another rule is taken as it was typed.
  const rrule = rule === before.recurrence.rrule ? ruleFrom(before, recurrenceId) : rule;
  const entry = rrule
    ? continued(before, recurrenceId, { ...fresh, recurrence: { rrule, exdates: [], overrides: [] } })
    : fresh;
  await insertEntries(change, [entry]);
  return done({ entry, lost: [] });
}
