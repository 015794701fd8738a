import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId, SectionId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { mailTexts } from '@/core/texts/mail';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import type { Change } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import { queueLetters } from '@/data/mail/outbox';
import { rosterRow } from '@/data/people/memberRows';
import type { Rows } from '@/data/rows';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

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
  const known = await select(
    change,
    `SELECT 1 AS one FROM offered_places WHERE course_id = :course AND person_id = :person
     UNION SELECT 1 FROM staff WHERE course_id = :course AND person_id = :person`,
    { course: offer.course, person: offer.person },
  );
  if (known.length > 0) return;
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
    [{ to: offer.email, subject: mailTexts.placeSubject(offer.label), text: mailTexts.place(offer.label, link), sender: offer.sender }],
    change.nowMs,
  ); // prettier-ignore
}

export type OfferedPlace = Readonly<{ id: string; course: string }>;

/** The places that wait for somebody's yes. */
export const offeredPlacesOf = (reader: Reader, person: PersonId): Promise<OfferedPlace[]> =>
  select(
    reader,
    `SELECT offered_places.id, courses.code || ' ' || courses.title AS course FROM offered_places
     JOIN courses ON courses.id = course_id WHERE person_id = :person ORDER BY created_at`,
    { person },
  );

/** Takes an offered place, or declines it. */
export function answerPlace(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  accept: boolean,
): Promise<Outcome<{ accepted: boolean }>> {
  return perform(pembit, actor, 'acceptPlace', async (change) => {
    const [offer] = await select<Rows['offered_places']>(
      change,
      'SELECT * FROM offered_places WHERE id = :id AND person_id = :person',
      { id, person: actor.person.id },
    );
    if (!offer || isStaffOf(actor.viewer, offer.course_id as CourseId)) return refused('notFound');
    await change.remove('offered_places', id);
    if (accept)
      await change.insert('roster', [
        rosterRow({ course: offer.course_id, person: offer.person_id, section: offer.section_id }),
      ]);
    change.concerns(`course:${offer.course_id}`, `person:${offer.person_id}`);
    change.summarise(frameHistoryTexts.joined(refTo(offer.person_id)));
    return done({ accepted: accept });
  });
}
