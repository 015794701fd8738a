import { randomUUID } from 'node:crypto';
import type { Entry } from '@/core/entries/entry';
import { sentFrom } from '@/core/entries/factErrors';
import type { EntryFacts, EventFacts } from '@/core/entries/facts';
import { factsFromInput } from '@/core/entries/factsFromInput';
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
import type { Change } from '@/data/history/change';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { checkedInput } from './checkedInput';
import { occurrenceAt, titleAt } from './occurrenceAt';
import { entryFor, saveEntry } from './saveEntry';

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
    const found = await entryFor(change, actor, 'changeEntry', asked.id);
    if (!found.ok) return found;
    const before = found.value;
    if ((before.kind === 'note') !== (input.kind === 'note'))
      return refused('badRequest', [{ field: 'kind', message: 'A note stays a note.' }]);
    if (before.sequence !== asked.sequence) return refused('changedMeanwhile');
    const checked = await checkedInput(pembit, change, actor, input);
    if (!checked.ok) return checked;
    const identity = { id: before.id, uid: before.uid, author: actor.person.id };
    const facts = factsFromInput(checked.value.input, identity, checked.value.zone, before);
    change.summarise(historyTexts.changed({ title: facts.title }));
    // Somebody's extended date is not the plan: it is given in an archived course, too.
    const act = onlyExtends(before, facts) ? 'extendDue' : 'changeEntry';
    change.actAs(act);
    const saving = { actor, act, before } as const;
    if (asked.scope === 'all' || before.kind !== 'event' || !isSeries(before))
      return saveWhole(change, facts, saving);
    const recurrenceId = occurrenceAt(before, asked.recurrenceId);
    if (facts.kind !== 'event' || !recurrenceId)
      return refused('badRequest', [
        { field: 'recurrenceId', message: 'The series has no such occurrence.' },
      ]);
    if (asked.scope === 'this')
      change.summarise(historyTexts.changed({ title: titleAt(facts.title, recurrenceId) }));
    const part: Part = { before, facts, recurrenceId, actor };
    return asked.scope === 'this' ? changeThis(change, part) : changeFollowing(change, part);
  });
}

type Saving = Parameters<typeof saveEntry>[2];

const saved = (outcome: Outcome<Entry>, lost: readonly Moment[] = []): Outcome<Changed> =>
  outcome.ok ? done({ entry: outcome.value, lost: lost.map(momentText) }) : outcome;

async function saveWhole(change: Change, facts: EntryFacts, saving: Saving): Promise<Outcome<Changed>> {
  const { before } = saving;
  if (before?.kind !== 'event' || facts.kind !== 'event' || !isSeries(before) || !isSeries(facts))
    return saved(await saveEntry(change, facts, saving));
  const { series, lost } = remapped(before, facts);
  return saved(await saveEntry(change, series, saving), lost);
}

type Part = Readonly<{
  before: Extract<Entry, { kind: 'event' }> & Series;
  facts: EventFacts;
  recurrenceId: Moment;
  actor: SignedIn;
}>;

/** One occurrence: its title, place, text and time; everything else belongs to the series. */
async function changeThis(
  change: Change,
  { before, facts, recurrenceId, actor }: Part,
): Promise<Outcome<Changed>> {
  const changed = overrideOccurrence(before, recurrenceId, {
    title: facts.title === before.title ? undefined : facts.title,
    place: facts.place === before.place ? undefined : facts.place,
    description: facts.description === before.description ? undefined : facts.description,
    start: facts.when.start,
    end: facts.when.end,
  });
  return saved(await saveEntry(change, changed, { actor, act: 'changeEntry', before }));
}

/** The series ends before the occurrence, and another begins with it under a UID of its own. */
async function changeFollowing(
  change: Change,
  { before, facts, recurrenceId, actor }: Part,
): Promise<Outcome<Changed>> {
  const saving = { actor, act: 'changeEntry' } as const;
  const ended = endBefore(before, recurrenceId);
  // From the first one on is all of it.
  if (!ended) return saveWhole(change, facts, { ...saving, before });
  const shortened = await saveEntry(change, ended, { ...saving, before });
  if (!shortened.ok) return shortened;
  const fresh = { ...facts, id: randomUUID() as EntryId, uid: randomUUID() };
  const rule = facts.recurrence?.rrule;
  // The rule as it stood: only what is left of it goes on. Another rule is taken as it was typed.
  const rrule = rule === before.recurrence.rrule ? ruleFrom(before, recurrenceId) : rule;
  const next = rrule
    ? continued(before, recurrenceId, {
        ...fresh,
        recurrence: {
          rrule,
          exdates: [],
          ...(facts.recurrence?.closed ? { closed: [] } : {}),
          overrides: [],
        },
      })
    : fresh;
  return saved(await saveEntry(change, next, saving));
}

/** Whether nothing differs but the dates that single students have. */
function onlyExtends(before: Entry, facts: EntryFacts): boolean {
  if (before.kind !== 'assignment' || facts.kind !== 'assignment') return false;
  const others = (of: EntryFacts) => JSON.stringify({ ...sentFrom(of), extensions: [] });
  return others(before) === others(facts) && JSON.stringify(sentFrom(before)) !== JSON.stringify(sentFrom(facts));
} // prettier-ignore
