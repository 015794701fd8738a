import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { schoolTexts } from '@/core/texts/school';
import { dateLabel } from '@/core/time/dateLabels';
import { currentTerm, teachingWeeks } from '@/core/time/term';
import { schoolFrame } from '@/server/frame/schoolFrame';
import { schoolName } from '@/server/frame/setUp';
import { teachingPeople } from '@/server/people/people';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { ClosureForm } from '@/ui/school/ClosureForm';
import { closureLines } from '@/ui/school/closureLines';
import { ClosureList } from '@/ui/school/ClosureList';
import { CourseForm } from '@/ui/school/CourseForm';
import { CourseLines } from '@/ui/school/CourseLines';
import { PeopleSection } from '@/ui/school/PeopleSection';
import styles from '@/ui/school/School.module.css';
import { TermForm } from '@/ui/school/TermForm';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: schoolTexts.title };

/** The administrator's page: the frame in which courses are planned. */
export default async function SchoolPage() {
  const actor = await signedInOr('/school');
  if (!actor.person.isAdmin) redirect('/');
  const pembit = sharedPembit();
  const [{ terms, closures, courses }, people, name] = await Promise.all([
    schoolFrame(pembit),
    teachingPeople(pembit),
    schoolName(pembit),
  ]);
  const now = currentTerm(terms, todayIn(pembit, { terms }));
  const taken = Object.fromEntries(
    courses.filter((course) => course.term === now?.id).map((course) => [course.color, course.tag]),
  );
  const names = terms.map((term) => ({ id: term.id, name: term.name }));
  return (
    <PageFrame actor={actor}>
      <h1>{name || schoolTexts.title}</h1>
      <div className={styles.page}>
        <div className={styles.column}>
          <section className={styles.section} aria-labelledby="terms">
            <h2 id="terms">{schoolTexts.terms}</h2>
            <ul className={styles.list}>
              {terms.map((term) => (
                <li key={term.id}>
                  <span>
                    <b>{term.name}</b>
                    <br />
                    <span className="soft">
                      {schoolTexts.termLine(
                        dateLabel(term.startsOn),
                        dateLabel(term.endsOn),
                        teachingWeeks(term).length,
                        term.tzid,
                      )}
                    </span>
                  </span>
                </li>
              ))}
            </ul>
            <TermForm tzid={now?.tzid ?? 'Etc/UTC'} />
          </section>
          <section className={styles.section} aria-labelledby="closures">
            <h2 id="closures">{schoolTexts.closures}</h2>
            <ClosureList closures={closureLines(closures, () => true)} />
            <ClosureForm terms={names} />
          </section>
        </div>
        <div className={styles.column}>
          <section className={styles.section} aria-labelledby="courses">
            <h2 id="courses">{schoolTexts.courses}</h2>
            <CourseLines courses={courses} linked={(course) => isStaffOf(actor.viewer, course.id)} />
            <CourseForm
              terms={names}
              people={people.map(({ id, name: personName }) => ({ id, name: personName }))}
              taken={taken}
            />
          </section>
          <PeopleSection people={people.map((person) => ({ ...person, waiting: person.waiting === 1 }))} />
        </div>
      </div>
    </PageFrame>
  );
}
