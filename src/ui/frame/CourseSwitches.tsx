'use client';
import { Link } from '@/ui/controls/Link';
import { usePathname, useSearchParams } from 'next/navigation';
import { frameTexts } from '@/core/texts/frame';
import { outsideTexts } from '@/core/texts/outside';
import styles from './Frame.module.css';
import { switched, withoutCourses } from './switchedCourses';

/** `tag` is empty for an outside calendar: it is told apart by its name alone. */
export type SwitchCourse = Readonly<{ key: string; tag: string; title: string; color: string }>;

/** The course tags at the top: each switches its course on and off in the view below. */
export function CourseSwitches({ courses }: { courses: readonly SwitchCourse[] }) {
  const path = usePathname();
  const search = useSearchParams();
  const off = withoutCourses(search.get('without'));
  return (
    <ul className={styles.switches} aria-label={frameTexts.coursesLabel}>
      {courses.map(({ key, tag, title, color }) => {
        const on = !off.has(key);
        const name = tag ? `${tag} ${title}` : title;
        const [shown, hidden] = tag
          ? [frameTexts.courseOn, frameTexts.courseOff]
          : [outsideTexts.shown, outsideTexts.hidden];
        return (
          <li key={key}>
            <Link
              className={styles.switch}
              data-course={color}
              data-on={on}
              href={`${path}${switched(search.toString(), off, key)}`}
              replace
              scroll={false}
              data-outside={tag === ''}
              aria-label={on ? shown({ title: name }) : hidden({ title: name })}
            >
              {tag ? <b>{tag}</b> : null} <span>{title}</span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
