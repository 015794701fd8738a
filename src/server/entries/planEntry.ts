import { randomUUID } from 'node:crypto';
import type { Entry } from '@/core/entries/entry';
import type { Identity } from '@/core/entries/factsFromInput';
import { factsFromInput } from '@/core/entries/factsFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { checkedInput } from './checkedInput';
import { saveEntry } from './saveEntry';

/** An instructor adds something to courses they teach; anybody a note for themselves. */
export async function planEntry(pembit: Pembit, actor: SignedIn, input: EntryInput): Promise<Outcome<Entry>> {
  if (input.kind === 'note' && input.about) {
    const { entries } = await planSeenBy(pembit, actor.viewer);
    if (!entries.some(({ id }) => id === input.about)) return refused('notFound');
  }
  return perform(pembit, actor, 'planEntry', async (change) => {
    const checked = await checkedInput(pembit, change, actor, input);
    if (!checked.ok) return checked;
    const facts = factsFromInput(checked.value.input, newIdentity(actor), checked.value.zone);
    change.summarise(historyTexts.planned({ title: facts.title }));
    return saveEntry(change, facts, { actor, act: 'planEntry' });
  });
}

/** Who and what a new entry is; its uid is made once and stays. */
export const newIdentity = (actor: SignedIn): Identity => ({
  id: randomUUID() as EntryId,
  uid: randomUUID(),
  author: actor.person.id,
});
