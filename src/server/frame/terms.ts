import { randomUUID } from 'node:crypto';
import type { TermInput } from '@/core/frame/frameInput';
import type { TermId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Term } from '@/core/time/term';
import { fromTerm } from '@/data/plan/frameStore';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** The administrator adds a term. */
export function addTerm(pembit: Pembit, actor: SignedIn, input: TermInput): Promise<Outcome<Term>> {
  return perform(pembit, actor, 'addTerm', async (change) => {
    if (!actor.person.isAdmin) return refused('notYours');
    const term: Term = { ...input, id: randomUUID() as TermId };
    await change.insert('terms', [fromTerm(term)]);
    change.summarise(frameHistoryTexts.addedTerm(term.name));
    return done(term);
  });
}
