import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isOnStaff } from '@/core/entries/viewer';
import { plainDate } from '@/core/fields';
import { awayInput } from '@/core/frame/awayInput';
import { may } from '@/core/may/may';
import { courseNames } from '@/core/plan/courseNames';
import { awayTexts } from '@/core/texts/away';
import { previewAway } from '@/server/frame/away';
import { sharedPembit } from '@/server/pembit';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import styles from '@/ui/school/School.module.css';
import { AwayForm } from '@/ui/today/AwayForm';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: awayTexts.title };

type Search = Promise<Readonly<{ from?: string; to?: string }>>;

/** Whoever teaches is away: `/away?from=DATE&to=DATE`; without days, today. */
export default async function AwayPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const actor = await signedInOr('/away');
  if (!isOnStaff(actor.viewer)) redirect('/');
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const { viewer } = actor;
  const today = todayIn(pembit, plan);
  const names = courseNames(plan.courses, plan.terms);
  const courses = plan.courses
    .filter(
      ({ id, archived, sections }) =>
        !archived &&
        sections.some(
          (section) => may(actor, 'callOffClass', { parts: [{ course: id, sections: [section.id] }] }).ok,
        ),
    )
    .map(({ id, tag }) => ({
      id,
      name: `${tag} ${names.get(id)!.title}`,
      // A co-instructor stands beside somebody who leads; a substitute has the classes that they were given.
      own: viewer.instructs.has(id) || !viewer.staffOf.has(id),
    }));
  const dated = (text: string | undefined) => {
    const read = plainDate.safeParse(text);
    return read.success ? read.data.toString() : undefined;
  };
  const from = dated(search.from) ?? today.toString();
  const days = { from, to: dated(search.to) ?? from };
  const own = courses.filter((course) => course.own).map(({ id }) => id);
  const input = awayInput.safeParse({ ...days, courses: own });
  const lines = input.success ? await previewAway(pembit, actor, input.data) : undefined;
  return (
    <PageFrame actor={actor} everyTerm>
      <h1>{awayTexts.title}</h1>
      <p className="soft">{awayTexts.lead}</p>
      <div className={styles.closing}>
        <AwayForm
          key={`${days.from} ${days.to}`}
          name={actor.person.name}
          start={days}
          courses={courses}
          lines={lines?.ok ? lines.value : { classes: [], times: [], holding: 0 }}
        />
      </div>
    </PageFrame>
  );
}
