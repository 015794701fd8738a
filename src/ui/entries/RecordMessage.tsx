'use client';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { MOST_SPOKEN_SECONDS as MOST_SECONDS } from '@/core/materials/spokenMessage';
import { spokenTexts as say } from '@/core/texts/spoken';
import { Field } from '../controls/Field';
import { sendFile } from '../controls/sendFile';
import { useSubmit } from '../controls/useSubmit';
import styles from './EntryForm.module.css';

/** What browsers record, with the ending under which it is kept. */
const TYPES = [
  ['audio/webm', 'weba'],
  ['audio/mp4', 'm4a'],
] as const;

const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
const problemOf = (error: unknown) =>
  error instanceof DOMException && error.name === 'NotFoundError' ? say.noMicrophone : say.notAllowed;

type Take = Readonly<{ blob: Blob; url: string; ending: string }>;

/** The microphone, for as long as a message is being spoken: at most so long, then it stops by itself. */
function useRecorder() {
  const recorder = useRef<MediaRecorder>(undefined);
  const [seconds, setSeconds] = useState<number>();
  const [take, setTake] = useState<Take>();
  const [problem, setProblem] = useState('');
  const running = seconds !== undefined;
  const stop = () => recorder.current?.state === 'recording' && recorder.current.stop();
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setSeconds((now) => (now ?? 0) + 1), 1000);
    return () => clearInterval(timer);
  }, [running]);
  useEffect(() => {
    if (seconds === MOST_SECONDS) stop();
  }, [seconds]);
  useEffect(() => () => void stop(), []);
  const start = async () => {
    setProblem('');
    const type = TYPES.find(([mime]) => globalThis.MediaRecorder?.isTypeSupported(mime));
    if (!type || !navigator.mediaDevices) return setProblem(say.cannot);
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const parts: Blob[] = [];
      const made = new MediaRecorder(stream, { mimeType: type[0] });
      recorder.current = made;
      made.ondataavailable = ({ data }) => parts.push(data);
      made.onstop = () => {
        for (const track of stream.getTracks()) track.stop();
        const blob = new Blob(parts, { type: type[0] });
        setSeconds(undefined);
        setTake({ blob, url: URL.createObjectURL(blob), ending: type[1] });
      };
      made.start();
      setTake(undefined);
      setSeconds(0);
    } catch (error) {
      setProblem(problemOf(error));
    }
  };
  return { seconds, take, problem, start, stop };
}

/** Speaks a message into the browser, hears it, and adds it to an entry. */
export function RecordMessage({ entry, title }: Readonly<{ entry: string; title: string }>) {
  const { seconds, take, problem, start, stop } = useRecorder();
  const { submit, busy, message } = useSubmit();
  const router = useRouter();
  const [name, setName] = useState<string>(say.defaultName);
  const [percent, setPercent] = useState<number>();
  const [failure, setFailure] = useState('');
  const add = async ({ blob, ending }: Take) => {
    setFailure('');
    setPercent(0);
    const file = new File([blob], `${name.trim() || say.defaultName}.${ending}`, { type: blob.type });
    const sent = await sendFile(file, { onPercent: setPercent });
    setPercent(undefined);
    if (!sent.ok) return setFailure(sent.message);
    const body = { file: sent.value.id, label: name.trim() };
    const answer = await submit('POST', `/api/entries/${entry}/files`, body, () => say.added({ title }));
    if (answer.ok) router.push(`/e/${entry}`);
  };
  return (
    <div className={styles.inner}>
      {seconds === undefined ? null : (
        <>
          <p role="timer">{say.recording({ said: clock(seconds), most: clock(MOST_SECONDS) })}</p>
          <LinearProgress
            variant="determinate"
            value={(100 * seconds) / MOST_SECONDS}
            aria-label={say.progress}
          />
        </>
      )}
      {take ? (
        <>
          <audio controls src={take.url} aria-label={say.listen} />
          <Field label={say.name} value={name} onChange={setName} />
        </>
      ) : null}
      {percent === undefined ? null : <p role="status">{say.sending({ percent })}</p>}
      <p role="alert">{problem || failure || message}</p>
      <div className={styles.buttons}>
        {seconds === undefined ? (
          <Button variant={take ? 'outlined' : 'contained'} onClick={() => void start()}>
            {take ? say.again : say.record}
          </Button>
        ) : (
          <Button variant="contained" onClick={stop}>
            {say.stop}
          </Button>
        )}
        {take ? (
          <Button variant="contained" disabled={busy || percent !== undefined} onClick={() => void add(take)}>
            {say.add}
          </Button>
        ) : null}
      </div>
    </div>
  );
}
