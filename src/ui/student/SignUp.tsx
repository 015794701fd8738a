'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { takeTexts as say } from '@/core/texts/takeTimes';
import type { Called } from '../controls/callApi';
import { callApi } from '../controls/callApi';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { Select } from '../controls/Select';
import { useFresh } from '../controls/useFresh';
import { useMessages } from '../controls/Messages';
import { OwnTimes } from './OwnTimes';
import styles from './SignUp.module.css';
import { SignUpDayList } from './SignUpDayList';
import type { OwnTime, SignUpView, SlotChoice } from './signUpView';

const ALL = '';
/** So many days of sheets are drawn at first; all that the filters leave are one tap away. */
const DAYS_SHOWN = 20;

/** Free times over all courses: tap one, then take it; give one's own back, exchange it, wait for a taken one. */
export function SignUp({ view, version }: Readonly<{ view: Packed<SignUpView>; version: number }>) {
  const { days, own } = useUnpacked(view);
  const router = useRouter();
  const tell = useMessages();
  useFresh(version);
  const [busy, setBusy] = useState(false);
  const [moving, setMoving] = useState<OwnTime>();
  const [tag, setTag] = useState(ALL);
  const [host, setHost] = useState(ALL);
  const [all, setAll] = useState(false);

  /** Carries something out, and says what became of it. */
  const act = async (call: Promise<Called<unknown>>, said: string): Promise<boolean> => {
    setBusy(true);
    const answer = await call;
    setBusy(false);
    const refusal = answer.ok ? undefined : (Object.values(answer.fields)[0] ?? answer.message);
    tell(refusal ?? said, answer.ok ? answer.history : undefined);
    router.refresh();
    return answer.ok;
  };
  const take = async (slot: SlotChoice, body: Readonly<{ note: string; answer: string }>) => {
    if (!moving)
      return act(
        callApi('POST', `/api/slots/${slot.id}/booking`, body),
        say.tookMessage({ when: slot.when }),
      );
    const moved = await act(
      callApi('PUT', `/api/bookings/${moving.booking}/slot`, { slot: slot.id }),
      say.movedMessage({ when: slot.when }),
    );
    if (moved) setMoving(undefined);
    return moved;
  };
  const wait = (slot: SlotChoice) =>
    slot.state === 'waiting' || slot.state === 'offered'
      ? act(callApi('DELETE', `/api/slots/${slot.id}/waiting`), say.waitsNoMore)
      : act(callApi('POST', `/api/slots/${slot.id}/waiting`), say.waitsMessage({ when: slot.when }));

  const tags = [...new Set(days.map((day) => day.tag))];
  const hosts = [...new Set(days.flatMap((day) => day.slots.map((slot) => slot.hosts)))].sort();
  const shown = days.filter(
    (day) =>
      (tag === ALL || day.tag === tag) &&
      (host === ALL || day.slots.some((slot) => slot.hosts === host)) &&
      (!moving || day.sheet === moving.sheet),
  );
  return (
    <>
      <OwnTimes
        own={own}
        moving={moving?.booking}
        busy={busy}
        onMove={setMoving}
        onGiveBack={(time) =>
          void act(
            callApi('DELETE', `/api/bookings/${time.booking}`),
            say.gaveMessage({ when: `${time.when}, ${time.range}` }),
          )
        }
      />
      {tags.length > 1 || hosts.length > 1 ? (
        <div className={styles.filters}>
          <Select
            label={say.course}
            value={tag}
            options={[
              { value: ALL, label: say.allCourses },
              ...tags.map((value) => ({ value, label: value })),
            ]}
            onChange={setTag}
          />
          <Select
            label={say.person}
            value={host}
            options={[
              { value: ALL, label: say.everybody },
              ...hosts.map((value) => ({ value, label: value })),
            ]}
            onChange={setHost}
          />
        </div>
      ) : null}
      {shown.length === 0 ? (
        <div className="empty">
          <h2>{say.none}</h2>
          <p>{say.noneLead}</p>
        </div>
      ) : null}
      <SignUpDayList
        days={all ? shown : shown.slice(0, DAYS_SHOWN)}
        host={host}
        busy={busy}
        moving={moving !== undefined}
        onTake={take}
        onWait={wait}
      />
      {!all && shown.length > DAYS_SHOWN ? (
        <p>
          <Button variant="outlined" onClick={() => setAll(true)}>
            {say.laterDays({ n: shown.length - DAYS_SHOWN })}
          </Button>
        </p>
      ) : null}
    </>
  );
}
