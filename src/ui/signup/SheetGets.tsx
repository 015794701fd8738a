'use client';
import Button from '@mui/material/Button';
import { signupTexts } from '@/core/texts/signup';
import styles from './NewSheet.module.css';
import type { SheetPreview } from './sheetPreview';

const { skipped: say } = signupTexts;

/** What students will get of what is painted and said: recomputed with each key. */
export function SheetGets({
  preview,
  students,
  onAllTheSame,
}: {
  preview: SheetPreview;
  students: number;
  onAllTheSame: (start: string) => void;
}) {
  const { count, weeks } = preview;
  const used = weeks.filter((week) => week.times > 0).length;
  return (
    <section className={`card ${styles.gets}`} aria-labelledby="get">
      <h2 id="get">{signupTexts.get}</h2>
      <div aria-live="polite">
        <p>
          <span className={styles.count}>{count}</span> {signupTexts.times({ n: count })}{' '}
          {signupTexts.over({ weeks: used, days: preview.days })}
        </p>
        {preview.refusal ? <p role="alert">{preview.refusal}</p> : null}
        {count === 0 && !preview.refusal ? <p className="soft">{signupTexts.none}</p> : null}
      </div>
      {count > 0 ? (
        <>
          <ol className={styles.weeks}>
            {weeks.map((week) => (
              <li
                key={week.number}
                data-times={week.times > 0}
                data-closed={week.closed}
                title={signupTexts.weekHas({ week: week.number, n: week.times })}
                aria-label={signupTexts.weekHas({ week: week.number, n: week.times })}
              >
                {week.number}
              </li>
            ))}
          </ol>
          <dl className={styles.facts}>
            {preview.hours.map(({ words, times }) => (
              <div key={words}>
                <dt>{words}</dt>
                <dd>{signupTexts.perDayWords({ n: times })}</dd>
              </div>
            ))}
            <div>
              <dt>{signupTexts.free({ all: preview.stretchMinutes })}</dt>
              <dd>
                {signupTexts.freeWords({
                  meet: preview.meetMinutes,
                  gaps: preview.gapMinutes,
                  rest: preview.remainderMinutes,
                })}
              </dd>
            </div>
            {students > 0 ? (
              <div>
                <dt>{signupTexts.forStudents({ n: students })}</dt>
                <dd>{signupTexts.timesEach({ n: (count / students).toFixed(1) })}</dd>
              </div>
            ) : null}
          </dl>
        </>
      ) : null}
      {preview.skipped.map((words) => (
        <p key={words} className="notice">
          {words}
        </p>
      ))}
      {preview.clashes.slice(0, MOST).map((clash) => (
        <p key={clash.start} className="notice">
          {(clash.offered ? say.againLeft : say.clash)({ when: clash.words, name: clash.name })}{' '}
          <Button
            size="small"
            aria-label={clash.offered ? undefined : say.allTheSameAt({ when: clash.words })}
            onClick={() => onAllTheSame(clash.start)}
          >
            {clash.offered ? say.leaveOut : say.allTheSame}
          </Button>
        </p>
      ))}
      {preview.clashes.length > MOST ? <p className="soft">+ {preview.clashes.length - MOST}</p> : null}
    </section>
  );
}

const MOST = 6;
