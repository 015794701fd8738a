'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { loadTexts as say } from '@/core/texts/load';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { Select } from '../controls/Select';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import { useSubmit } from '../controls/useSubmit';
import { Tick, Ticks } from '../controls/Ticks';
import styles from './Load.module.css';
import type { LoadView } from './loadView';

type Move = Readonly<{ id: string; title: string; from: string; to: string; days: number; concerned: number }>; // prettier-ignore
type Proposal = Readonly<{ moves: readonly Move[]; alarmedNow: number; alarmedThen: number }>;

/** Work of a course, spread over a stretch of the term: a proposal that is taken whole, in part, or not. */
export function SpreadForm({
  course,
  coming,
  workdays,
  latest,
  alarm,
}: {
  course: string;
  coming: LoadView['coming'];
  workdays: LoadView['workdays'];
  latest: string;
  alarm: number;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const drawn = useFirstThenAll(coming, 12);
  const [ticked, setTicked] = useState<readonly string[]>(coming.map(({ id }) => id));
  const [value, setValue] = useState({
    earliest: coming[0]?.due ?? latest,
    latest: coming.at(-1)?.due ?? latest,
    gap: '3',
    weekday: '',
  });
  const [proposal, setProposal] = useState<Proposal>();
  const [taken, setTaken] = useState<readonly string[]>([]);
  const set = (key: keyof typeof value) => (text: string) => {
    setValue({ ...value, [key]: text });
    setProposal(undefined);
  };
  const propose = async () => {
    const answer = await submit<Proposal>('POST', '/api/load/spread', {
      course,
      entries: coming.filter(({ id }) => ticked.includes(id)).map(({ id }) => id),
      earliest: value.earliest,
      latest: value.latest,
      gap: Number(value.gap),
      weekday: value.weekday ? Number(value.weekday) : undefined,
      alarm,
    });
    setProposal(answer.ok ? answer.value : undefined);
    if (answer.ok) setTaken(answer.value.moves.filter(({ days }) => days !== 0).map(({ id }) => id));
  };
  const moves = (proposal?.moves ?? []).filter(({ id, days }) => days !== 0 && taken.includes(id));
  const take = async () => {
    const items = moves.map(({ id, days }) => ({ id, days }));
    const body = { days: items[0]!.days, along: true, items };
    const answer = await submit('POST', '/api/entries/shift', body, () => say.moved({ n: items.length }));
    if (answer.ok) setProposal(undefined);
  };
  return (
    <section aria-labelledby="spread" className={`card ${styles.spread}`}>
      <h2 id="spread">{say.spreadTitle}</h2>
      {coming.length === 0 ? (
        <p className="soft">{say.nothingToSpread}</p>
      ) : (
        <form
          className={styles.form}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            void (proposal && moves.length > 0 ? take() : propose());
          }}
        >
          <p className="soft">{say.spreadLead}</p>
          <Ticks
            legend={say.which}
            options={drawn.map(({ id, title, words }) => ({ value: id, label: `${title} · ${words}` }))}
            ticked={ticked}
            onChange={(next) => {
              setTicked(next);
              setProposal(undefined);
            }}
            error={errors.entries}
          />
          <div className={styles.row}>
            <DayField
              label={say.earliest}
              width={170}
              value={value.earliest}
              onChange={set('earliest')}
              error={errors.earliest}
            />{' '}
            {/* prettier-ignore */}
            <DayField label={say.latest} width={170} value={value.latest} onChange={set('latest')} error={errors.latest} />{' '}
            {/* prettier-ignore */}
            <Field label={say.gap} type="number" width={250} min={1} value={value.gap} onChange={set('gap')} error={errors.gap} />{' '}
            {/* prettier-ignore */}
            <Select
              label={say.weekday}
              value={value.weekday}
              options={[{ value: '', label: say.anyWeekday }, ...workdays]}
              onChange={set('weekday')}
            />
          </div>
          <div aria-live="polite">
            {proposal ? (
              <div className="notice">
                <p>{say.score({ now: proposal.alarmedNow, then: proposal.alarmedThen })}</p>
                <ul className={styles.moves}>
                  {proposal.moves.map((move) => (
                    <li key={move.id}>
                      {move.days === 0 ? (
                        <span>
                          {move.title}: {say.stays} ({move.to})
                        </span>
                      ) : (
                        <Tick
                          label={`${say.move({ title: move.title })}: ${move.from} → ${move.to}, ${say.elseDue({ n: move.concerned })}`}
                          checked={taken.includes(move.id)}
                          onChange={(on) =>
                            setTaken(on ? [...taken, move.id] : taken.filter((id) => id !== move.id))
                          }
                        />
                      )}
                    </li>
                  ))}
                </ul>
              </div>
            ) : null}
          </div>
          {message ? <p role="alert">{message}</p> : null}
          <div>
            <Button type="submit" variant={moves.length > 0 ? 'contained' : 'outlined'} disabled={busy}>
              {moves.length > 0 ? say.take({ n: moves.length }) : say.propose}
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}
