import { Link } from '@/ui/controls/Link';
import type { ReactNode } from 'react';
import type { CourseName } from '@/core/plan/courseNames';
import type { Course } from '@/core/plan/plan';
import { entryTexts } from '@/core/texts/entries';
import { schoolTexts } from '@/core/texts/school';
import styles from './School.module.css';

/** Courses, one a line; `linked` where the viewer may open them. */
export function CourseLines({
  courses,
  linked,
  acts,
  names,
}: {
  courses: readonly Course[];
  /** How their addresses name them; by their ids where nothing is given. */
  names?: ReadonlyMap<string, CourseName>;
  linked: (course: Course) => boolean;
  /** What can be done with a course from here. */
  acts?: (course: Course) => ReactNode;
}) {
  if (courses.length === 0) return <p className="soft">{schoolTexts.noCourses}</p>;
  return (
    <ul className={styles.list}>
      {courses.map((course) => {
        const name = (
          <>
            <b>{course.code}</b> {course.title}
          </>
        );
        const classes = course.sections.reduce((sum, section) => sum + section.meetings.length, 0);
        const instructor = course.staff[0]?.name ?? '';
        const archived = course.archived ? schoolTexts.isArchived : '';
        return (
          <li key={course.id} data-course={course.color}>
            <span>
              <span className="tag">{course.tag}</span>{' '}
              {linked(course) ? (
                <Link href={`/courses/${encodeURIComponent(names?.get(course.id)?.key ?? course.id)}`}>
                  {name}
                </Link>
              ) : (
                name
              )}
              <br />
              <span className="soft">
                {archived}
                {schoolTexts.courseLine(
                  instructor,
                  course.sections.length,
                  classes,
                  entryTexts.students({ n: course.students }),
                )}
              </span>
            </span>
            {acts?.(course)}
          </li>
        );
      })}
    </ul>
  );
}
