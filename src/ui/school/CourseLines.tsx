import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Course } from '@/core/plan/plan';
import { entryTexts } from '@/core/texts/entries';
import { schoolTexts } from '@/core/texts/school';
import styles from './School.module.css';

/** Courses, one a line; `linked` where the viewer may open them. */
export function CourseLines({
  courses,
  linked,
  acts,
}: {
  courses: readonly Course[];
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
                <Link href={`/courses/${encodeURIComponent(course.code)}?term=${course.term}`}>{name}</Link>
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
                  entryTexts.students(course.students),
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
