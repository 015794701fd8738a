'use client';
import Button from '@mui/material/Button';
import { linkTexts as say } from '@/core/texts/links';
import { Progress } from '../controls/Progress';
import { useLongWork } from '../controls/useLongWork';

/** Tests every link of a course, and says how far it is. */
export function TestLinks({ course }: { course: string }) {
  const { run, stop, progress, message } = useLongWork();
  const test = () =>
    run<{ tested: number; fails?: number }>(`/api/courses/${course}/links`, {}, ({ tested, fails = 0 }) =>
      say.tested({ count: tested, failing: fails }),
    );
  return (
    <>
      {progress ? (
        <Progress
          words={say.testing({ done: progress.done, of: progress.of })}
          share={progress.of === 0 ? 0 : progress.done / progress.of}
          onStop={stop}
        />
      ) : (
        <Button variant="outlined" onClick={() => void test()}>
          {say.testAll}
        </Button>
      )}
      {message ? <p role="alert">{message}</p> : null}
    </>
  );
}
