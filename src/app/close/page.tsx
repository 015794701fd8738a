import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { CLOSINGS } from '@/core/quickline/readClosureLine';
import { plainDate } from '@/core/fields';
import { isStaffOf } from '@/core/entries/viewer';
import { courseNames } from '@/core/plan/courseNames';
import { closureTexts } from '@/core/texts/closures';
import { shownTerm } from '@/core/time/term';
import { schoolFrame } from '@/server/frame/schoolFrame';
import { sharedPembit } from '@/server/pembit';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { CloseDays } from '@/ui/school/CloseDays';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { chosenTerm } from '../termOnPage';

export const metadata: Metadata = { title: closureTexts.title };

type Search = Promise<
  Readonly<{ day?: string; name?: string; course?: string; closing?: string; at?: string }>
>;

/** Days without classes, from wherever one stands: `/close?day=DATE&name=WORDS&course=ID&closing=late&at=10:00`; for a course, or the whole school. */
export default async function ClosePage({ searchParams }: { searchParams: Search }) {
  const { day, name = '', course, closing, at: clock = '' } = await searchParams;
  const actor = await signedInOr('/close');
  const { viewer, person } = actor;
  if (viewer.staffOf.size === 0 && !person.isAdmin) redirect('/');
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, viewer);
  const read = plainDate.safeParse(day);
  const at = read.success ? read.data : todayIn(pembit, plan);
  const terms = person.isAdmin ? (await schoolFrame(pembit)).terms : plan.terms;
  // The day decides in which term: a storm is not of the term that is looked at.
  const term = shownTerm(terms, at, read.success ? undefined : await chosenTerm());
  const own = plan.courses.filter((c) => c.term === term?.id && !c.archived && isStaffOf(viewer, c.id));
  const names = courseNames(own, plan.terms);
  return (
    <PageFrame actor={actor}>
      <h1>{closureTexts.title}</h1>
      <p className="soft">{closureTexts.lead}</p>
      {term ? (
        <CloseDays
          key={`${day} ${name} ${course} ${closing} ${clock}`}
          term={term.id}
          whole={person.isAdmin}
          courses={own.map(({ id, tag, sections }) => ({
            id,
            name: `${tag} ${names.get(id)!.title}`,
            sections: sections.map((section) => ({ id: section.id, name: section.name })),
          }))}
          chosen={own.find(({ id }) => id === course)?.id}
          start={{
            name: name.slice(0, 100),
            firstDay: read.success ? at.toString() : '',
            closing: CLOSINGS.find((each) => each === closing) ?? 'whole',
            at: clock.slice(0, 5),
          }}
        />
      ) : null}
    </PageFrame>
  );
}
