import { randomUUID } from 'node:crypto';
import type { Entry } from '@/core/entries/entry';
import { dateErrors, entryFromInput } from '@/core/entries/entryFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { insertEntries } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { extensionErrors } from './extensionErrors';
import { zoneFor } from './zoneFor';

/** An instructor adds something to courses they teach; anybody a note for themselves. */
export function planEntry(pembit: Pembit, actor: SignedIn, input: EntryInput): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'planEntry', async (change) => {
    const errors = [...dateErrors(input), ...(await extensionErrors(change, input))];
    if (errors.length > 0) return refused('badRequest', errors);
    const zone = await zoneFor(pembit, change, actor, input);
    if (!zone.ok) return zone;
    const now = pembit.now();
    const entry = entryFromInput(input, newIdentity(actor, now), zone.value, now);
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
