'use client';
import Link from 'next/link';
import { usePathname, useSearchParams } from 'next/navigation';
import { frameTexts } from '@/core/texts/frame';
import styles from './Frame.module.css';
import { switched, withoutCourses } from './switchedCourses';

export type SwitchCourse = Readonly<{ code: string; tag: string; title: string; color: string }>;

/** The course tags at the top: each switches its course on and off in the view below. */
export function CourseSwitches({ courses }: { courses: readonly SwitchCourse[] }) {
  const path = usePathname();
  const search = useSearchParams();
  const off = withoutCourses(search.get('without'));
  return (
    <ul className={styles.switches} aria-label={frameTexts.coursesLabel}>
      {courses.map(({ code, tag, title, color }) => {
        const on = !off.has(code);
        const name = `${tag} ${title}`;
        return (
          <li key={code}>
            <Link
              className={styles.switch}
              data-course={color}
              data-on={on}
              href={`${path}${switched(search.toString(), off, code)}`}
              replace
              scroll={false}
              aria-label={on ? frameTexts.courseOn(name) : frameTexts.courseOff(name)}
            >
              <b>{tag}</b> <span>{title}</span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
