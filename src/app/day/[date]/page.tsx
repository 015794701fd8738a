import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { plainDate } from '@/core/fields';
import { occurrencesOf, touching } from '@/core/plan/occurrences';
import { studentTexts } from '@/core/texts/student';
import { currentTerm, weekNumber } from '@/core/time/term';
import { dateLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { DayList } from '@/ui/student/DayList';
import { dayLine } from '@/ui/student/dayLines';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';

export const metadata: Metadata = { title: studentTexts.daySheet };

type Props = { params: Promise<{ date: string }>; searchParams: Promise<{ course?: string }> };

/** Everything of one day, in one course or over all of the viewer's: `/day/DATE?course=CODE`. */
export default async function DayPage({ params, searchParams }: Props) {
  const { date: text } = await params;
  const { course: code } = await searchParams;
  const path = `/day/${text}${code ? `?course=${encodeURIComponent(code)}` : ''}`;
  const actor = await signedInOr(path);
  const read = plainDate.safeParse(text);
  if (!read.success) notFound();
  const date = read.data;
  const plan = await planSeenBy(sharedPembit(), actor.viewer);
  const term = currentTerm(plan.terms, date);
  const course =
    code === undefined
      ? undefined
      : plan.courses.find((c) => c.code === code && (!term || c.term === term.id));
  if (code !== undefined && !course) notFound();
  const lines = touching(occurrencesOf(plan, requireZone))(date)
    .filter((o) => (!course || o.courses.includes(course.id)) && !(o.kind === 'booking' && !o.mine))
    .map((o) => dayLine(o, plan));
  const week = term && weekNumber(term, date);
  const sibling = (days: number) =>
    `/day/${date.add({ days })}${code ? `?course=${encodeURIComponent(code)}` : ''}`;
  return (
    <PageFrame actor={actor}>
      <p className="soft">
        {[course ? `${course.tag} ${course.title}` : undefined, week ? `week ${week}` : undefined]
          .filter(Boolean)
          .join(' · ')}
      </p>
      <h1>{dateLabel(date, 'full', plan.locale)}</h1>
      {lines.length === 0 ? (
        <p className="empty">{studentTexts.nothingThatDay}</p>
      ) : (
        <DayList lines={lines} />
      )}
      <p style={{ paddingTop: 16 }}>
        <Link href={sibling(-1)}>{studentTexts.previousDay}</Link> ·{' '}
        <Link href={sibling(1)}>{studentTexts.nextDay}</Link>
      </p>
    </PageFrame>
  );
}
