import type { EntryInput } from '@/core/entries/entryInput';
import { coursesOf } from '@/core/entries/viewer';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { currentTerm } from '@/core/time/term';
import type { Zone } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import { loadFrame } from '@/data/plan/loadPlan';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { termOfAudience } from './termOfAudience';

type EntryFrame = Readonly<{ zone: Zone; courses: readonly Course[] }>;

/** The zone of what is planned, and its courses: those of the audience; of a note, the zone of its author's present term. */
export async function frameFor(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  input: EntryInput,
): Promise<Outcome<EntryFrame>> {
  if (input.kind !== 'note') {
    const frame = await termOfAudience(reader, actor, input.audience);
    if (!frame.ok) return frame;
    return done({ zone: requireZone(frame.value.term.tzid), courses: frame.value.courses });
  }
  const { terms } = await loadFrame(reader, coursesOf(actor.viewer));
  const utc = requireZone('Etc/UTC');
  const term = currentTerm(terms, toWall(utc, pembit.now()).toPlainDate());
  return done({ zone: term ? requireZone(term.tzid) : utc, courses: [] });
}
