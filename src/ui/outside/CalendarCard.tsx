'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { outsideTexts as say } from '@/core/texts/outside';
import { Field } from '../controls/Field';
import { useMessages } from '../controls/Messages';
import { useSubmit } from '../controls/useSubmit';
import { ClosesFields, closesDraft, closesFrom } from './ClosesFields';
import styles from './Outside.module.css';
import { OutsideDates } from './OutsideDates';
import type { CalendarCardView } from './outsideView';
import { SeenByChoice } from './SeenByChoice';
import { Troubles } from './Troubles';

/** A calendar that is kept: what it holds, how it stands with its source, what changed. */
export function CalendarCard({ card }: { card: CalendarCardView }) {
  const { submit, errors, message, busy } = useSubmit();
  const tell = useMessages();
  const [editing, setEditing] = useState(false);
  const [name, setName] = useState(card.name);
  const [seenBy, setSeenBy] = useState(card.seenBy);
  const [closes, setCloses] = useState(closesDraft(card.closes));
  const path = `/api/calendars/${card.id}`;
  const changed = () => historyTexts.changedCalendar({ name });

  const save = async (active: boolean) => {
    const answer = await submit('PUT', path, { name, seenBy, active, closes: closesFrom(closes) }, changed);
    if (answer.ok) setEditing(false);
  };
  const readNow = async () => {
    const answer = await submit<{ news: unknown[]; failure?: string }>(
      'POST',
      `${path}/refresh`,
      undefined,
      (read) => read.failure ?? say.refreshed({ n: read.news.length }),
    );
    if (!answer.ok) tell(answer.message);
  };
  return (
    <section className={`card ${styles.card}`} aria-label={card.name} data-off={!card.active}>
      <div className={styles.head}>
        <h2>{card.name}</h2>
        <span>
          {card.beside.map(({ tag, color }) => (
            <span key={tag} className="tag" data-course={color}>
              {tag}
            </span>
          ))}{' '}
          {card.term}
        </span>
      </div>
      <p className="soft">
        {[card.count, card.state, say.seenByOptions[card.seenBy], card.closesWords]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {card.url ? <p className={styles.url}>{card.url}</p> : null}
      {card.active ? null : <p className="notice">{say.off}</p>}
      {card.failing ? (
        <p className="notice" role="status">
          {card.failing}
        </p>
      ) : null}
      {card.dates.length > 0 ? <OutsideDates dates={card.dates} /> : null}
      {card.news.length > 0 ? (
        <details>
          <summary>{say.newsTitle}</summary>
          <ul>
            {card.news.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </details>
      ) : null}
      <Troubles title={say.skipped({ n: card.skippedCount })} lines={card.skipped} />
      {editing ? (
        <div className={styles.form}>
          <Field label={say.name} value={name} onChange={setName} error={errors.name} />
          <SeenByChoice value={seenBy} onChange={setSeenBy} />
          <ClosesFields value={closes} onChange={setCloses} error={errors['closes.words']} />
          <p role="alert" className={styles.error}>
            {message}
          </p>
          <div className={styles.acts}>
            <Button variant="contained" disabled={busy} onClick={() => void save(card.active)}>
              {say.save}
            </Button>
            <Button variant="outlined" onClick={() => setEditing(false)}>
              {say.cancel}
            </Button>
          </div>
        </div>
      ) : card.mine ? (
        <div className={styles.acts}>
          <Button variant="outlined" onClick={() => setEditing(true)}>
            {say.change}
          </Button>
          {card.url ? (
            <Button variant="outlined" disabled={busy} onClick={() => void readNow()}>
              {say.readNow}
            </Button>
          ) : null}
          <Button variant="outlined" disabled={busy} onClick={() => void save(!card.active)}>
            {card.active ? say.switchOff : say.switchOn}
          </Button>
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() =>
              void submit('DELETE', path, undefined, () => historyTexts.removedCalendar({ name: card.name }))
            }
          >
            {say.remove}
          </Button>
        </div>
      ) : (
        <p className="soft">{say.ofOthers}</p>
      )}
    </section>
  );
}
