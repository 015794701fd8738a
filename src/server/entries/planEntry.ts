import { randomUUID } from 'node:crypto';
import type { Entry } from '@/core/entries/entry';
import { dateErrors, entryFromInput } from '@/core/entries/entryFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import { insertEntries } from '@/data/entries/entries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { termOfAudience } from './termOfAudience';

/** An instructor adds an event or an assignment to courses they teach. */
export function planEntry(pembit: Pembit, actor: SignedIn, input: EntryInput): Promise<Outcome<Entry>> {
  return perform(pembit, actor, 'planEntry', async (change) => {
    const errors = dateErrors(input);
    if (errors.length > 0) return refused('badRequest', errors);
    const frame = await termOfAudience(change, actor.viewer, input.audience);
    if (!frame.ok) return frame;
    const now = pembit.now();
    const identity = { id: randomUUID() as EntryId, uid: randomUUID(), sequence: 0, created: now };
    const entry = entryFromInput(input, identity, requireZone(frame.value.term.tzid), now);
    await insertEntries(change, [entry]);
    change.summarise(historyTexts.planned(entry.title));
    return done(entry);
  });
}
