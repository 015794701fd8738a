import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId, SectionId } from '@/core/ids';
import { readsAsStaff } from '@/core/entries/viewer';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { mailTexts } from '@/core/texts/mail';
import type { Change } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import { queueLetters } from '@/data/mail/outbox';
import { rosterRow } from '@/data/people/memberRows';
import { needsNoOffer, offerFor } from '@/data/people/offeredPlaces';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

export { offeredPlacesOf } from '@/data/people/offeredPlaces';

type Offer = Readonly<{
  course: CourseId;
  label: string;
  person: PersonId;
  email: string;
  name: string;
  section: SectionId | null;
  sender: PersonId;
}>;

/** Asks somebody who teaches or administers whether they would take a course: nobody puts them on a roster. */
export async function offerPlace(pembit: Pembit, change: Change, offer: Offer): Promise<void> {
  if (await needsNoOffer(change, offer.course, offer.person)) return;
  await change.insert('offered_places', [
    {
      id: randomUUID(),
      course_id: offer.course,
      section_id: offer.section,
      person_id: offer.person,
      listed_name: offer.name,
      created_at: change.nowMs,
    },
  ]);
  const link = `${pembit.config.baseUrl}/account`;
  await queueLetters(
    change,
    [{ to: offer.email, subject: mailTexts.placeSubject({ to: offer.label }), text: mailTexts.place({ to: offer.label, link }), sender: offer.sender }],
    change.nowMs,
  ); // prettier-ignore
}

/** Takes an offered place, or declines it. */
export function answerPlace(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  accept: boolean,
): Promise<Outcome<{ accepted: boolean }>> {
  return perform(pembit, actor, accept ? 'acceptPlace' : 'declinePlace', async (change) => {
    const offer = await offerFor(change, id, actor.person.id);
    if (!offer || readsAsStaff(actor.viewer, offer.course_id as CourseId)) return refused('notFound');
    await change.remove('offered_places', id);
    change.concerns(`person:${offer.person_id}`);
    if (accept) {
      await change.insert('roster', [
        rosterRow({
          course: offer.course_id,
          person: offer.person_id,
          section: offer.section_id,
          joinedAtMs: change.nowMs,
        }),
      ]);
      change.concerns(`course:${offer.course_id}`);
    }
    const said = accept ? frameHistoryTexts.joined : frameHistoryTexts.declined;
    change.summarise(said({ name: refTo(offer.person_id) }));
    return done({ accepted: accept });
  });
}
