'use client';
import { slideTexts } from '@/core/texts/slide';
import { todayTexts as say } from '@/core/texts/today';
import { useSubmit } from '../controls/useSubmit';

/** What is proposed where plans lost their class, whoever closed the day: they slide in, and all later ones with them. */
export function SlideWaiting({ course, name }: Readonly<{ course: string; name: string }>) {
  const { submit, busy, message } = useSubmit();
  const path = `/api/courses/${encodeURIComponent(course)}/waiting-plans`;
  return (
    <>
      <button
        type="button"
        className="link"
        disabled={busy}
        aria-label={say.slideInNamed({ course: name })}
        onClick={() =>
          void submit<{ plans: number }>('POST', path, undefined, ({ plans }) =>
            slideTexts.slidIn({ n: plans }),
          )
        }
      >
        {say.slideIn}
      </button>
      {message ? <span role="alert">{message}</span> : null}
    </>
  );
}
