import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { materialTexts } from '@/core/texts/materials';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { roomOf } from '@/server/materials/roomOf';
import { sharedPembit } from '@/server/pembit';
import styles from '@/ui/materials/Materials.module.css';
import { OutlineEditor } from '@/ui/materials/OutlineEditor';
import { OutlineList } from '@/ui/materials/OutlineList';
import { outlineRows } from '../outlineRows';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

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
  const courses = plan.courses.filter((course) => !course.archived || course.code === code);
  const course = code === undefined ? courses[0] : courses.find((c) => c.code === code);
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
            href={`/materials?course=${encodeURIComponent(c.code)}`}
            aria-current={c === course ? 'page' : undefined}
            prefetch={false}
          >
            <span className="tag" data-course={c.color}>
              {c.tag}
            </span>{' '}
            {c.title}
          </Link>
        ))}
      </nav>
      {room ? <p className={room.nearlyFull ? 'notice' : 'soft'}>{room.words}</p> : null}
      {course && isStaffOf(actor.viewer, course.id) && !course.archived ? (
        <OutlineEditor
          key={course.id}
          course={course.id}
          rows={rows}
          today={todayIn(pembit, plan).toString()}
        />
      ) : rows.length === 0 ? (
        <p className="empty">{materialTexts.noneYet}</p>
      ) : (
        <OutlineList rows={rows} />
      )}
    </PageFrame>
  );
}
