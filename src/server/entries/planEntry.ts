import { randomUUID } from 'node:crypto';
import type { Entry } from '@/core/entries/entry';
import { entryFromInput } from '@/core/entries/entryFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { insertEntries } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { checkedInput } from './checkedInput';
import { datedByClasses } from './followClasses';

/** An instructor adds something to courses they teach; anybody a note for themselves. */
export async function planEntry(pembit: Pembit, actor: SignedIn, input: EntryInput): Promise<Outcome<Entry>> {
  if (input.kind === 'note' && input.about) {
    const { entries } = await planSeenBy(pembit, actor.viewer);
    if (!entries.some(({ id }) => id === input.about)) return refused('notFound');
  }
  return perform(pembit, actor, 'planEntry', async (change) => {
    const checked = await checkedInput(pembit, change, actor, input);
    if (!checked.ok) return checked;
    const now = pembit.now();
    const made = entryFromInput(checked.value.input, newIdentity(actor, now), checked.value.zone, now);
    const entry = await datedByClasses(change, made);
    await insertEntries(change, [entry]);
    change.summarise(historyTexts.planned(entry.title));
    return done(entry);
  });
}

/** Who and what a new entry is; its uid is made once and stays. */
export const newIdentity = (actor: SignedIn, now: ReturnType<Pembit['now']>) => ({
  id: randomUUID() as EntryId,
  uid: randomUUID(),
  sequence: 0,
  created: now,
  author: actor.person.id,
});
