import { Temporal } from 'temporal-polyfill';
import type { CourseId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import { slideInput } from '@/core/plan/slideInput';
import { waitingPlans } from '@/core/plan/waitingPlans';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { slideTexts } from '@/core/texts/slide';
import { loadFrame, loadPlan } from '@/data/plan/loadPlan';
import { lostDate } from '../frame/meetingId';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { slideWithin } from './slidePlans';

/**
 * Puts all plans of a course that lost their class into the next ones, as whoever closes days is offered at once; for those whose
 * days somebody else closed. The last lost comes first: each slides in before what is planned from there on, and so they keep
 * their order.
 */
export function slideWaiting(pembit: Pembit, actor: SignedIn, id: CourseId): Promise<Outcome<{ plans: number }>> {
  return perform(pembit, actor, 'slidePlans', async (change) => {
    if (!mayIn(actor, 'slidePlans', id)) return refused('notFound');
    const [plan, frame] = await Promise.all([loadPlan(change, [id]), loadFrame(change, [id])]);
    const [course] = plan.courses;
    const [term] = frame.terms;
    if (!course || !term) return refused('notFound');
    if (course.archived) return refused('archived');
    const closures = frame.closures.filter((closure) => closure.term === term.id);
    const lost = waitingPlans(course, plan.classPlans).map(({ plan: own, section }) => {
      const { meeting } = own.bindings.find((binding) => binding.section === section.id)!;
      return { plan: own, section, date: lostDate(section.id, meeting, { term, closures }) ?? term.startsOn };
    });
    if (lost.length === 0) return refused('badRequest', [{ field: 'id', message: slideTexts.noneWaits }]);
    for (const { plan: own, section } of lost.sort((a, b) => Temporal.PlainDate.compare(b.date, a.date))) {
      const input = slideInput.parse({ act: 'later', plan: own.id, sections: [section.id], overPins: true });
      const slid = await slideWithin(change, actor, id, input);
      if (!slid.ok) return slid;
    }
    const plans = new Set(lost.map(({ plan: own }) => own.id)).size;
    change.summarise(slideTexts.slidIn({ n: plans }));
    return done({ plans });
  });
} // prettier-ignore
