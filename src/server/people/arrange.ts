import { z } from 'zod';
import { courseId, personId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { arrangeTexts } from '@/core/texts/arrange';
import { followArrangements } from '@/data/entries/writeEntries';
import { refTo } from '@/data/history/personRefs';
import type { Arrangement } from '@/data/people/arrangements';
import { arrangementsOf, isEnrolled, writeArrangement } from '@/data/people/arrangements';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

export const arrangeInput = z.object({
  course: courseId,
  person: personId,
  /** 0 ends it. */
  days: z
    .number({ error: arrangeTexts.errors.days })
    .int(arrangeTexts.errors.days)
    .min(0, arrangeTexts.errors.days)
    .max(60, arrangeTexts.errors.days),
});
export type ArrangeInput = z.output<typeof arrangeInput>;

/**
 * Gives a student so many days more for all work of a course, what is planned later included. Why is not asked, and nowhere
 * kept; nobody but the student and the staff learns of it.
 */
export function arrange(
  pembit: Pembit,
  actor: SignedIn,
  { course, person, days }: ArrangeInput,
): Promise<Outcome<{ changed: number }>> {
  return perform(pembit, actor, 'arrange', async (change) => {
    if (!mayIn(actor, 'arrange', course)) return refused('notFound');
    if (!(await isEnrolled(change, course, person)))
      return refused('badRequest', [{ field: 'person', message: arrangeTexts.errors.person }]);
    await writeArrangement(change, { course, person, days });
    const changed = await followArrangements(change, course);
    change.summarise(days === 0 ? arrangeTexts.ended({ name: refTo(person) }) : arrangeTexts.arranged({ name: refTo(person), days }));
    return done({ changed });
  });
} // prettier-ignore

/** What is arranged in a course, for its staff. */
export const arrangedIn = async (pembit: Pembit, actor: SignedIn, course: ArrangeInput['course']): Promise<readonly Arrangement[]> =>
  mayIn(actor, 'arrange', course) ? arrangementsOf(pembit, course) : []; // prettier-ignore
