import type { EntryInput } from '@/core/entries/entryInput';
import { coursesOf } from '@/core/entries/viewer';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { currentTerm } from '@/core/time/term';
import type { Zone } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/database';
import { loadFrame } from '@/data/plan/loadPlan';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { termOfAudience } from './termOfAudience';

/** The zone of what is planned: that of its courses' term; of a note, that of its author's present term. */
export async function zoneFor(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  input: EntryInput,
): Promise<Outcome<Zone>> {
  if (input.kind !== 'note') {
    const frame = await termOfAudience(reader, actor.viewer, input.audience);
    return frame.ok ? done(requireZone(frame.value.term.tzid)) : frame;
  }
  const { terms } = await loadFrame(reader, coursesOf(actor.viewer));
  const utc = requireZone('Etc/UTC');
  const term = currentTerm(terms, toWall(utc, pembit.now()).toPlainDate());
  return done(term ? requireZone(term.tzid) : utc);
}
