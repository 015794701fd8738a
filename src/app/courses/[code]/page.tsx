import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import { currentTerm } from '@/core/time/term';
import { mayChangeStaff } from '@/server/frame/courseStaff';
import { rosterOf } from '@/server/people/roster';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { ClosureForm } from '@/ui/school/ClosureForm';
import { closureLines } from '@/ui/school/closureLines';
import { ClosureList } from '@/ui/school/ClosureList';
import { CourseFacts } from '@/ui/school/CourseFacts';
import { RosterSection } from '@/ui/school/RosterSection';
import styles from '@/ui/school/School.module.css';
import { SectionCard } from '@/ui/school/SectionCard';
import { SectionForm } from '@/ui/school/SectionForm';
import { StaffSection } from '@/ui/school/StaffSection';
import { sectionView } from '@/ui/school/sectionView';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';

export const metadata: Metadata = { title: courseTexts.roster };

/** A course for its staff: sections and their classes, closures of its own, the roster. */
export default async function CoursePage({ params }: { params: Promise<{ code: string }> }) {
  const code = decodeURIComponent((await params).code);
  const actor = await signedInOr(`/courses/${encodeURIComponent(code)}`);
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const today = todayIn(pembit, plan);
  // Where two terms have a course of this code, the one of the present term is meant.
  const present = currentTerm(plan.terms, today);
  const own = plan.courses.filter((c) => c.code === code && isStaffOf(actor.viewer, c.id));
  const course = own.find((c) => c.term === present?.id) ?? own[0];
  const term = plan.terms.find((t) => t.id === course?.term);
  if (!course || !term) notFound();
  const members = await rosterOf(pembit, course.id);
  const closures = plan.closures.filter((closure) => closure.term === term.id);
  return (
    <PageFrame actor={actor}>
      <h1>
        <span className="tag" data-course={course.color}>
          {course.tag}
        </span>{' '}
        {course.code} {course.title}
      </h1>
      <p className="soft">
        {[term.name, course.place, course.staff.map((person) => person.name).join(', ')]
          .filter(Boolean)
          .join(' · ')}
      </p>
      <CourseFacts
        course={{
          id: course.id,
          code: course.code,
          title: course.title,
          tag: course.tag,
          color: course.color,
          credits: course.credits === undefined ? '' : String(course.credits),
          place: course.place,
          meetingLink: course.meetingLink,
        }}
      />
      <div className={styles.page}>
        <div className={styles.column}>
          {course.sections.map((section) => (
            <SectionCard key={section.id} section={sectionView(section, today)} today={today.toString()} />
          ))}
          <SectionForm course={course.id} />
        </div>
        <div className={styles.column}>
          <RosterSection course={course.id} members={members} />
          <StaffSection
            course={course.id}
            staff={course.staff.map(({ id, name, role }) => ({ id, name, co: role === 'co' }))}
            mayChange={await mayChangeStaff(pembit, actor, course.id)}
          />
          <section className={`card ${styles.section}`} aria-labelledby="closures">
            <h2 id="closures">{schoolTexts.closures}</h2>
            <ClosureList closures={closureLines(closures, (closure) => closure.course === course.id)} />
            <ClosureForm terms={[{ id: term.id, name: term.name }]} course={course.id} />
          </section>
        </div>
      </div>
    </PageFrame>
  );
}
