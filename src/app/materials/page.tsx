import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { notFound } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { courseByKey, courseNames } from '@/core/plan/courseNames';
import { materialTexts } from '@/core/texts/materials';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { filesInPlace } from '@/server/materials/filesInPlace';
import { roomOf } from '@/server/materials/roomOf';
import { sharedPembit } from '@/server/pembit';
import styles from '@/ui/materials/Materials.module.css';
import { OutlineEditor } from '@/ui/materials/OutlineEditor';
import { FilesInPlace } from '@/ui/materials/PlayHere';
import { OutlineList } from '@/ui/materials/OutlineList';
import { linksByUnit, outlineRows } from '@/api/outlineRows';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { termOnPage } from '../termOnPage';

export const metadata: Metadata = { title: materialTexts.title };

/** The outline of one course, to be read by its students and put together by its staff: `/materials?course=CODE`. */
export default async function MaterialsPage({
  searchParams,
}: {
  searchParams: Promise<{ course?: string }>;
}) {
  const { course: code } = await searchParams;
  const actor = await signedInOr(`/materials${code ? `?course=${encodeURIComponent(code)}` : ''}`);
  const pembit = sharedPembit();
  const [plan, materials] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    materialsSeenBy(pembit, actor.viewer),
  ]);
  const { term, beside, today } = await termOnPage(plan);
  const named = code === undefined ? undefined : courseByKey(plan.courses, code, term);
  // What an address names is shown, in whatever term it is.
  const courses = plan.courses.filter((c) => c === named || (!c.archived && beside.has(c.term)));
  const course = named ?? (code === undefined ? courses[0] : undefined);
  const names = courseNames(plan.courses, plan.terms);
  const titles = courseNames(courses, plan.terms);
  if (code !== undefined && !course) notFound();
  const room = course && isStaffOf(actor.viewer, course.id) ? await roomOf(pembit, course.id) : undefined;
  const rows = course ? await outlineRows(pembit, actor, { plan, materials, course: course.id }) : [];
  return (
    <PageFrame actor={actor} plan={plan}>
      <h1>{materialTexts.title}</h1>
      <nav className={styles.tabs} aria-label={materialTexts.title}>
        {courses.map((c) => (
          <Link
            key={c.id}
            href={`/materials?course=${encodeURIComponent(names.get(c.id)!.key)}`}
            aria-current={c === course ? 'page' : undefined}
          >
            <span className="tag" data-course={c.color}>
              {c.tag}
            </span>{' '}
            {titles.get(c.id)!.title}
          </Link>
        ))}
      </nav>
      {room ? <p className={room.nearlyFull ? 'notice' : 'soft'}>{room.words}</p> : null}
      {course && isStaffOf(actor.viewer, course.id) && !course.archived ? (
        <OutlineEditor key={course.id} course={course.id} rows={rows} today={today.toString()} />
      ) : rows.length === 0 ? (
        <p className="empty">{materialTexts.noneYet}</p>
      ) : (
        <FilesInPlace files={await filesInPlace(pembit, linksByUnit(rows))}>
          <OutlineList rows={rows} />
        </FilesInPlace>
      )}
    </PageFrame>
  );
}
