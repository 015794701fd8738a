import { studentTexts } from '@/core/texts/student';
import type { ReactNode } from 'react';
import styles from './DayList.module.css';
import { DoneTick } from './DoneTick';
import type { DayLine } from './dayLines';

/** The lines of one day. Links lead straight to the thing itself. */
export function DayList({
  lines,
  ticks,
  below,
}: {
  lines: readonly DayLine[];
  /** What stands under a line, within it. */
  below?: (line: DayLine) => ReactNode;
  /** Whether work is ticked; absent: it cannot be ticked here. */
  ticks?: boolean;
}) {
  return (
    <ul className={styles.list}>
      {lines.map((line) => (
        <li
          key={line.key}
          className={styles.line}
          data-kind={line.kind}
          data-off={line.off}
          data-course={line.tags[0]?.color}
        >
          <span className={styles.time}>{line.time}</span>
          <div className={styles.what}>
            <p>
              {line.tags.map((tag) => (
                <span key={tag.tag}>
                  <span className="tag" data-course={tag.color}>
                    {tag.tag}
                  </span>{' '}
                </span>
              ))}
              {line.href ? (
                <a className={styles.title} href={line.href}>
                  {line.title}
                </a>
              ) : (
                <span className={styles.title}>{line.title}</span>
              )}
              {line.mark ? (
                <>
                  {' '}
                  <span className={styles.mark}>{line.mark}</span>
                </>
              ) : null}
            </p>
            {line.detail ? <p className="soft">{line.detail}</p> : null}
            {line.links.map((link) => (
              <p key={link.url}>
                <a className={styles.link} href={link.url} target="_blank" rel="noopener">
                  {link.label || studentTexts.openLink}
                </a>
              </p>
            ))}
            {line.work && ticks !== undefined ? (
              <DoneTick entry={line.work} title={line.title} done={ticks} />
            ) : null}
            {below?.(line)}
          </div>
        </li>
      ))}
    </ul>
  );
}
