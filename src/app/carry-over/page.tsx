import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { carryInput } from '@/core/carryover/carry';
import type { Course } from '@/core/plan/plan';
import { carryTexts } from '@/core/texts/carryOver';
import { previewCarryOver } from '@/server/carryover/carryOverPlan';
import { likelySource } from '@/core/carryover/likelySource';
import { teachingWeeks } from '@/core/time/term';
import { outletsShowing } from '@/server/carryover/repointOutlets';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { CarryOver } from '@/ui/carryover/CarryOver';
import { carryView } from '@/ui/carryover/carryView';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: carryTexts.title };

/** Where the plan of one course comes to another; `?to=ID&from=ID` says which, `?week=N` one week of it alone. */
export default async function CarryOverPage({
  searchParams,
}: {
  searchParams: Promise<Readonly<{ to?: string; from?: string; week?: string }>>;
}) {
  const asked = await searchParams;
  const actor = await signedInOr('/carry-over');
  const pembit = sharedPembit();
  const { courses, terms } = await planSeenBy(pembit, actor.viewer);
  const own = courses.filter((course) => actor.viewer.staffOf.has(course.id));
  if (own.length === 0) notFound();
  const termOf = (course: Course) => terms.find(({ id }) => id === course.term)!;
  const newest = [...own].sort((a, b) => (termOf(a).startsOn.toString() < termOf(b).startsOn.toString() ? 1 : -1)); // prettier-ignore
  const week = /^\d{1,2}$/.test(asked.week ?? '') ? Number(asked.week) : undefined;
  const source = own.find(({ id }) => id === asked.from);
  // A week goes to a course beside it, a plan to the newest one.
  const others = newest.filter((course) => course !== source);
  const beside = week ? (others.find(({ term }) => term === source?.term) ?? others[0]) : undefined;
  const to = own.find(({ id }) => id === asked.to) ?? beside ?? newest[0]!;
  const from = source && source.id !== to.id ? source : likelySource(to, own, terms);
  const input = from && carryInput.safeParse({ from: from.id, to: to.id, week, ...(week ? { mapping: 'weeks' } : {}) }); // prettier-ignore
  const preview = input?.success ? await previewCarryOver(pembit, actor, input.data) : undefined;
  const outlets = await Promise.all(own.map((course) => outletsShowing(pembit, actor, course.id)));
  return (
    <PageFrame actor={actor}>
      <CarryOver
        courses={own.map((course, i) => ({
          id: course.id,
          code: course.code,
          name: carryTexts.course({ code: course.code, title: course.title, term: termOf(course).name }),
          term: course.term,
          weeks: teachingWeeks(termOf(course)).length,
          outlets: outlets[i]!.map(({ id, name }) => ({ id, name })),
        }))}
        from={from?.id ?? ''}
        to={to.id}
        {...(input?.data?.week ? { week: input.data.week } : {})}
        preview={preview?.ok ? carryView(preview.value) : undefined}
      />
    </PageFrame>
  );
}
