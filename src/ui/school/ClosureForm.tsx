'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Closing } from '@/core/quickline/readClosureLine';
import { closureTexts } from '@/core/texts/closures';
import { listed } from '@/core/texts/entries';
import { schoolTexts } from '@/core/texts/school';
import { timeLabel } from '@/core/time/dateLabels';
import { readTime } from '@/core/time/typedTime';
import { panelTexts } from '@/core/texts/term';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { Select } from '../controls/Select';
import { Ticks } from '../controls/Ticks';
import { useSubmit } from '../controls/useSubmit';

type HitLine = Readonly<{
  tag: string;
  title: string;
  meetings: number;
  moving: number;
  due: number;
  taken: number;
  free: number;
  movable: readonly string[];
  closable: number;
  holding: number;
  plans: number;
  events: number;
  details: readonly string[];
}>;
type Props = Readonly<{
  terms: readonly Readonly<{ id: string; name: string }>[];
  course?: string;
  /** Of the course: they can be closed apart from one another where there are several. */
  sections?: readonly Readonly<{ id: string; name: string }>[];
  /** What is known already, on a page of its own; otherwise the form is folded away. */
  start?: Readonly<{ name: string; firstDay: string; closing: Closing; at: string }>;
}>;

const CLOSINGS: readonly Closing[] = ['whole', 'late', 'early', 'online'];

/** A typed time as `14:00`; of two readings the one named. */
function clockOf(text: string, reading: 0 | 1): string | undefined {
  const read = readTime(text);
  if (read.kind === 'unreadable') return undefined;
  return timeLabel(read.kind === 'time' ? read.time : read.readings[reading]);
}

/** Closes days; what that hits is shown before anything is saved. */
export function ClosureForm({ terms, course, sections = [], start }: Props) {
  const { submit, errors, message, busy } = useSubmit();
  const empty = {
    term: terms.at(-1)?.id ?? '',
    name: '',
    firstDay: '',
    lastDay: '',
    closesAt: '',
    opensAt: '',
  };
  const [value, setValue] = useState({
    ...empty,
    ...(start ? { name: start.name, firstDay: start.firstDay, closesAt: start.at, opensAt: start.at } : {}),
  });
  const [hits, setHits] = useState<readonly HitLine[]>();
  const all = sections.map(({ id }) => id);
  const [closed, setClosed] = useState<readonly string[]>(all);
  // What most people would choose.
  const [slides, setSlides] = useState(true);
  const [closesTimes, setClosesTimes] = useState(true);
  // A due date is a promise: it moves when somebody says so.
  const [movesDue, setMovesDue] = useState(false);
  const [closing, setClosing] = useState<Closing>(start?.closing ?? 'whole');
  const opens = clockOf(value.opensAt, 1);
  // Nothing closes at night: the afternoon is meant.
  const closesAt = clockOf(value.closesAt, 0);
  const unreadable = (closing === 'early' && !closesAt) || (closing === 'late' && !opens);
  const field = (key: Exclude<keyof typeof value, 'term'>) => ({
    value: value[key],
    onChange: (text: string) => {
      setHits(undefined);
      setValue({ ...value, [key]: text });
    },
    error: errors[key],
  });
  const timeField = (key: 'opensAt' | 'closesAt') => ({
    ...field(key),
    error: unreadable && value[key].trim() !== '' ? panelTexts.errors.time : errors[key],
  });
  const input = {
    term: value.term,
    course,
    ...(closed.length < all.length ? { sections: closed } : {}),
    name: value.name,
    firstDay: value.firstDay,
    lastDay: value.lastDay || value.firstDay,
    ...(closing === 'early' ? { closesAt } : {}),
    ...(closing === 'late' ? { opensAt: opens } : {}),
    online: closing === 'online',
    plans: slides ? 'slide' : 'wait',
    times: closesTimes ? 'close' : 'keep',
    due: movesDue ? 'move' : 'keep',
  };
  const sum = (of: 'plans' | 'closable' | 'holding') =>
    (hits ?? []).reduce((total, line) => total + line[of], 0);
  const movable = [...new Set((hits ?? []).flatMap((line) => line.movable))];
  const look = async () => {
    const answer = await submit<HitLine[]>('POST', '/api/closures/hits', input);
    if (answer.ok) setHits(answer.value);
  };
  const close = async () => {
    const answer = await submit<{ name: string }>('POST', '/api/closures', input, ({ name }) =>
      frameHistoryTexts.closed({ name }),
    );
    if (!answer.ok) return;
    setHits(undefined);
    setValue({ ...empty, term: value.term });
  };
  return (
    <FormBox
      summary={start ? undefined : schoolTexts.addClosure}
      action={hits ? schoolTexts.close : schoolTexts.seeHits}
      onSubmit={hits ? close : look}
      message={message}
      disabled={busy || unreadable}
      look={!hits}
    >
      {terms.length > 1 ? (
        <Select
          label={schoolTexts.closureTerm}
          value={value.term}
          options={terms.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(term) => setValue({ ...value, term })}
        />
      ) : null}
      <Field label={schoolTexts.closureName} {...field('name')} />
      <div className={styles.row}>
        <DayField label={schoolTexts.firstDay} {...field('firstDay')} />
        <DayField label={schoolTexts.lastDay} hint={schoolTexts.lastDayHint} {...field('lastDay')} />
      </div>
      {all.length > 1 ? (
        <Ticks
          legend={closureTexts.sections}
          options={sections.map(({ id, name }) => ({ value: id, label: name }))}
          ticked={closed}
          error={errors.sections}
          onChange={(next) => {
            setHits(undefined);
            setClosed(next);
          }}
        />
      ) : null}
      <Choice
        label={schoolTexts.whatCloses}
        value={closing}
        options={CLOSINGS.map((each) => ({ value: each, label: schoolTexts.closing[each] }))}
        onChange={(next) => {
          setHits(undefined);
          setClosing(next);
        }}
      />
      {closing === 'early' ? (
        <Field
          label={schoolTexts.closesAt}
          hint={closesAt === value.closesAt ? undefined : closesAt}
          {...timeField('closesAt')}
        />
      ) : null}
      {closing === 'late' ? (
        <Field
          label={schoolTexts.opensAt}
          hint={opens === value.opensAt ? undefined : opens}
          {...timeField('opensAt')}
        />
      ) : null}
      <div aria-live="polite">
        {hits ? (
          <div className="notice">
            {hits.length === 0 ? schoolTexts.hitsNothing : null}
            <ul>
              {hits.map((line) => (
                <li key={line.tag}>
                  <b>{line.tag}</b> {schoolTexts.hits(line)}
                  {line.details.length > 0 ? (
                    <ul>
                      {line.details.map((detail) => (
                        <li key={detail} className="soft">
                          {detail}
                        </li>
                      ))}
                    </ul>
                  ) : null}
                </li>
              ))}
            </ul>
            {sum('plans') > 0 ? (
              <FormControlLabel
                control={<Checkbox checked={slides} onChange={(e) => setSlides(e.target.checked)} />}
                label={schoolTexts.slideLost}
              />
            ) : null}
            {sum('plans') > 0 && !course ? <p className="soft">{schoolTexts.othersWait}</p> : null}
            {movable.length > 0 ? (
              <>
                <FormControlLabel
                  control={<Checkbox checked={movesDue} onChange={(e) => setMovesDue(e.target.checked)} />}
                  label={closureTexts.moveDue({ n: movable.length })}
                />
                <p className="soft">{listed(movable)}</p>
              </>
            ) : null}
            {sum('closable') > 0 ? (
              <FormControlLabel
                control={
                  <Checkbox checked={closesTimes} onChange={(e) => setClosesTimes(e.target.checked)} />
                }
                label={schoolTexts.closeTimes({ taken: sum('holding') })}
              />
            ) : null}
          </div>
        ) : null}
      </div>
    </FormBox>
  );
}
