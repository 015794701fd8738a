'use client';
import Button from '@mui/material/Button';
import { historyTexts } from '@/core/texts/history';
import { courseTexts } from '@/core/texts/school';
import { slideTexts } from '@/core/texts/slide';
import type { HitChoice } from './hitLines';
import styles from './School.module.css';
import { useAct } from '../controls/useSubmit';

/** What closures hit in this course, each with its choice. Nothing stands here while nothing is hit. */
export function HitsSection({ course, hits }: { course: string; hits: readonly HitChoice[] }) {
  const { act, busy } = useAct();
  const place = (hit: Extract<HitChoice, { kind: 'plan' }>, body: { to?: string }) =>
    act('PUT', `/api/sections/${hit.section}/plans/${hit.id}`, body, () =>
      body.to
        ? historyTexts.plannedClass({ title: hit.what })
        : historyTexts.clearedClass({ title: hit.what }),
    );
  const slideIn = (hit: Extract<HitChoice, { kind: 'plan' }>) =>
    act(
      'POST',
      `/api/courses/${course}/slide`,
      { act: 'later', plan: hit.id, sections: [hit.section] },
      ({ moved }: { moved: number }) => slideTexts.slid({ n: moved, first: hit.what, to: '' }),
    );
  if (hits.length === 0) return null;
  return (
    <section className={`card ${styles.section}`} aria-labelledby="hits">
      <h2 id="hits">{courseTexts.hits}</h2>
      <p className="soft">
        {courseTexts.hitsLead} {courseTexts.keepNote}
      </p>
      <ul className={styles.list}>
        {hits.map((hit) => (
          <li key={`${hit.id} ${'section' in hit ? hit.section : ''}`}>
            <span>
              {hit.what} <span className="soft">{hit.closure}</span>
            </span>
            {hit.kind === 'plan' ? (
              <span className={styles.buttons}>
                <Button size="small" variant="contained" disabled={busy} onClick={() => slideIn(hit)}>
                  {slideTexts.slideLost}
                </Button>
                {hit.to ? (
                  <Button
                    size="small"
                    variant="outlined"
                    disabled={busy}
                    onClick={() => place(hit, { to: hit.to })}
                  >
                    {courseTexts.placeOn({ when: hit.next })}
                  </Button>
                ) : null}
                <Button size="small" variant="outlined" disabled={busy} onClick={() => place(hit, {})}>
                  {courseTexts.dropPlan}
                </Button>
              </span>
            ) : hit.kind === 'due' ? (
              <Button
                size="small"
                variant="outlined"
                disabled={busy}
                onClick={() =>
                  act('POST', `/api/entries/${hit.id}/shift`, { days: hit.days, along: false }, () =>
                    historyTexts.moved({ title: hit.what, when: hit.next }),
                  )
                }
              >
                {courseTexts.moveDue({ when: hit.next })}
              </Button>
            ) : (
              <Button
                size="small"
                variant="outlined"
                disabled={busy}
                onClick={() =>
                  act('DELETE', `/api/slots/${hit.id}`, undefined, () =>
                    historyTexts.cancelledTime({ when: hit.what }),
                  )
                }
              >
                {courseTexts.cancelTime}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
