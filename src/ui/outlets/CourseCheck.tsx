'use client';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { historyTexts } from '@/core/texts/history';
import { publishTexts as say } from '@/core/texts/publish';
import { useSubmit } from '../controls/useSubmit';
import styles from './Publish.module.css';

export type CourseCheckView = Readonly<{
  id: string;
  tag: string;
  color: string;
  title: string;
  who: string;
  checks: string;
  checksLeft: boolean;
  links: string;
  linksBad: boolean;
  outlets: string;
  untold: number;
}>;

/** A course about to go out: what is left to look at, who will see it, where it is published, and the ways on. */
export function CourseCheck({ course }: { course: CourseCheckView }) {
  const { submit, busy, message } = useSubmit();
  const { id } = course;
  return (
    <li className={styles.course}>
      <div>
        <p>
          <span className="tag" data-course={course.color}>
            {course.tag}
          </span>{' '}
          <b>{course.title}</b> <span className="soft">{course.who}</span>
        </p>
        <p className="soft">
          <Link href="/checks">{course.checks}</Link> ·{' '}
          <Link href={`/materials?course=${id}`}>{course.links}</Link> · {course.outlets}
        </p>
        {message ? <p role="alert">{message}</p> : null}
      </div>
      <div className={styles.acts}>
        <Button variant="outlined" component={Link} href={`/publish/new?kind=feed&course=${id}`}>
          {say.newFeed}
        </Button>
        <Button variant="outlined" component={Link} href={`/publish/new?kind=embed&course=${id}`}>
          {say.newEmbed}
        </Button>
        {course.untold > 0 ? (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() =>
              void submit<{ told: number }>(
                'POST',
                `/api/courses/${course.id}/feeds`,
                undefined,
                ({ told }) => historyTexts.toldFeeds({ n: told }),
              )
            }
          >
            {say.tell({ n: course.untold })}
          </Button>
        ) : (
          <span className="soft">{say.toldAll}</span>
        )}
      </div>
    </li>
  );
}
