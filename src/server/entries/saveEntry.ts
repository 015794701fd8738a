import { derived } from '@/core/entries/derive';
import type { Entry } from '@/core/entries/entry';
import { factErrors } from '@/core/entries/factErrors';
import type { EntryFacts } from '@/core/entries/facts';
import { subjectOfEntry } from '@/core/entries/facts';
import type { EntryId } from '@/core/ids';
import type { Act } from '@/core/may/acts';
import { may } from '@/core/may/may';
import type { Actor } from '@/core/may/role';
import type { Course } from '@/core/plan/plan';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Reader } from '@/data/reader';
import { entryById } from '@/data/entries/entries';
import { addEntries, asSaved, changeEntryRows } from '@/data/entries/writeEntries';
import type { Change } from '@/data/history/change';
import { grown } from '@/data/history/grown';
import { inSlices } from '../worker/inSlices';

/** Whether somebody may do an act to an entry: in all its courses, or to a note of one's own. */
export const mayDo = (actor: Actor, act: Act, facts: EntryFacts): boolean =>
  may(actor, facts.kind === 'note' ? 'writeNote' : act, subjectOfEntry(facts)).ok;

/** An entry that the actor may do the act to; what is not theirs is not there. */
export async function entryFor(reader: Reader, actor: Actor, act: Act, id: EntryId): Promise<Outcome<Entry>> {
  const entry = await entryById(reader, id);
  return entry && mayDo(actor, act, entry) ? done(entry) : refused('notFound');
}

type Saving = Readonly<{ actor: Actor; act: Act; before?: Entry }>;

/** What keeps facts from being saved: who asks, or what is wrong with them. */
async function refusalOfSave(change: Change, facts: EntryFacts, { actor, act, before }: Saving): Promise<Refused | undefined> {
  if (!mayDo(actor, act, facts) || (before && !mayDo(actor, act, before))) return refused('notYours');
  const errors = factErrors(await asSaved(change, facts, before), before);
  return errors.length > 0 ? refused('badRequest', errors) : undefined;
} // prettier-ignore

/**
 * The one way to change or add an entry, for every door: whoever may do the act, facts that hold together. What follows from
 * them is derived, its sequence grows, feeds are told. Refuses with the fields that are wrong.
 */
export async function saveEntry(change: Change, facts: EntryFacts, saving: Saving): Promise<Outcome<Entry>> {
  const wrong = await refusalOfSave(change, facts, saving);
  if (wrong) return wrong;
  if (saving.before) return done(await changeEntryRows(change, saving.before, facts));
  const [entry] = await addEntries(change, [facts]);
  return done(entry!);
}

type Adding = Readonly<{ actor: Actor; act: Act; courses: readonly Course[] }>;

/** Adds many entries at once, as a file brings them: those that are right; why the others are not, by their ids. In slices: a long file holds up nobody. */
export async function saveNewEntries(
  change: Change,
  given: readonly EntryFacts[],
  { actor, act, courses }: Adding,
): Promise<Readonly<{ saved: number; wrong: ReadonlyMap<EntryId, string> }>> {
  const stamps = grown(change);
  const wrong = new Map<EntryId, string>();
  const right = await inSlices(given, (facts) => {
    const [error] = factErrors(derived(facts, courses, stamps));
    if (mayDo(actor, act, facts) && !error) return [facts];
    wrong.set(facts.id, error?.message ?? '');
    return [];
  });
  const saved = await addEntries(change, right.flat(), { courses });
  return { saved: saved.length, wrong };
}
