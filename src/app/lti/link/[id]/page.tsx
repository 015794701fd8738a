import type { Metadata } from 'next';
import Button from '@mui/material/Button';
import { likelyCourse } from '@/core/lti/likelyCourse';
import { ltiTexts } from '@/core/texts/lti';
import { refusalTexts } from '@/core/texts/refusals';
import { placePath } from '@/server/lti/arrive';
import { linkableCourses, waitingLaunch } from '@/server/lti/linkCourse';
import { sharedPembit } from '@/server/pembit';
import { LinkForm } from '@/ui/lti/LinkForm';
import styles from '@/ui/lti/Lti.module.css';
import { signedInOr } from '../../../signedIn';

const say = ltiTexts.link;
export const metadata: Metadata = { title: say.title };

/** An instructor who came from a course that is not linked yet says which of theirs it is. */
export default async function LinkPage({ params }: Readonly<{ params: Promise<{ id: string }> }>) {
  const { id } = await params;
  const actor = await signedInOr(`/lti/link/${id}`);
  const pembit = sharedPembit();
  const waiting = await waitingLaunch(pembit, actor, id);
  const course = waiting?.launch.course;
  if (!waiting || !course)
    return (
      <main className={styles.page}>
        <h1>{say.title}</h1>
        <p className="notice">{refusalTexts.launchOver}</p>
      </main>
    );
  const { opens } = waiting.launch;
  const later = opens.kind === 'target' ? opens.path : placePath(id);
  const courses = await linkableCourses(pembit, actor);
  return (
    <main className={styles.page}>
      <h1>{say.title}</h1>
      <p>{say.lead({ title: course.title, site: waiting.platform.name })}</p>
      {courses.length > 0 ? (
        <LinkForm
          id={id}
          courses={courses.map(({ id: key, code, title, sections }) => ({
            id: key,
            name: `${code} ${title}`,
            sections: sections.map((section) => ({ id: section.id, name: section.name })),
          }))}
          likely={likelyCourse(course.title, courses)?.id}
          later={later}
        />
      ) : (
        <>
          <p>{say.none}</p>
          <Button href={later}>{say.later}</Button>
        </>
      )}
    </main>
  );
}
