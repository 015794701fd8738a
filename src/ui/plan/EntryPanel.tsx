'use client';
import dynamic from 'next/dynamic';
import CallOffIcon from '@mui/icons-material/EventBusyOutlined';
import SpeakIcon from '@mui/icons-material/MicNoneOutlined';
import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import EditIcon from '@mui/icons-material/EditOutlined';
import NextWeekIcon from '@mui/icons-material/EventRepeatOutlined';
import MoveIcon from '@mui/icons-material/RedoOutlined';
import OtherCourseIcon from '@mui/icons-material/DriveFileMoveOutlined';
import ShowIcon from '@mui/icons-material/VisibilityOutlined';
import TakesPlaceIcon from '@mui/icons-material/EventAvailableOutlined';
import WriteIcon from '@mui/icons-material/MailOutlined';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '@/core/texts/checks';
import { spokenTexts } from '@/core/texts/spoken';
import { historyTexts } from '@/core/texts/history';
import { messageTexts } from '@/core/texts/messages';
import { panelTexts } from '@/core/texts/term';
import { CheckList } from '../checks/CheckList';
import { Field } from '../controls/Field';
import { useMessages } from '../controls/Messages';
import { useSubmit } from '../controls/useSubmit';
import styles from '../entries/EntryPanel.module.css';
import type { LineDate, PanelCourse, PanelEntry, PanelOccurrence } from '../entries/panelData';
import { ReadEntry } from '../entries/ReadEntry';
import { DateLine } from './DateLine';
import { EntryHistory } from './EntryHistory';
import { MoveToDay } from './MoveToDay';
import type { Occurrence, PanelState, Scope } from './panelState';
import { editing } from './editing';
import { NONE } from './panelState';

const TrustLines = dynamic(() => import('./TrustLines').then((module) => module.TrustLines), { ssr: false });
/** For substitutes alone. */
const CallOff = dynamic(() => import('./CallOff').then((module) => module.CallOff), { ssr: false });

type Props = Readonly<{
  entry: PanelEntry;
  /** Which of a series was opened. */
  occurrence?: Occurrence;
  courses: readonly PanelCourse[];
  show: (next: PanelState) => void;
  dayWords: (date: string) => string | undefined;
  /** Moves the entry itself to another day. */
  onMove: (to: string) => void;
}>;

/** A series as one of its occurrences says it. */
const asSaid = (
  entry: PanelEntry,
  {
    when,
    title = entry.title,
    place,
    description = entry.description,
    cancelled = entry.cancelled,
  }: PanelOccurrence,
): PanelEntry => ({
  ...entry,
  when,
  title,
  description,
  cancelled,
  facts:
    place === undefined
      ? entry.facts
      : [
          { label: panelTexts.place, value: place },
          ...entry.facts.filter(({ label }) => label !== panelTexts.place),
        ],
});

/** An entry beside the plan, read first; whoever may edit it has the acts below. */
export function EntryPanel({ entry, occurrence, courses, show, dayWords, onMove }: Props) {
  const { submit, message, busy } = useSubmit();
  const say = useMessages();
  const [asking, setAsking] = useState<'cancel' | 'copy' | 'move'>();
  const [reason, setReason] = useState('');
  const path = `/api/entries/${entry.id}`;
  const on = occurrence?.recurrenceId.slice(0, 10) ?? '';
  const day = dayWords(on) ?? on;
  const said = occurrence && entry.singles?.[occurrence.recurrenceId];
  const shown = said ? asSaid(entry, said) : entry;
  const named = occurrence ? historyTexts.oneOf({ title: entry.title, day }) : entry.title;
  // A series is moved by its form, which asks which of them are meant.
  const movable = entry.repeats ? undefined : entry.dates.find(({ field }) => field === 'main');
  const scopes: readonly Scope[] = occurrence ? ['this', 'following', 'all'] : ['all'];
  const remove = async (scope: Scope) => {
    const query = scope === 'all' ? '' : `?scope=${scope}&recurrenceId=${occurrence!.recurrenceId}`;
    const answer = await submit('DELETE', path + query, undefined, () =>
      historyTexts.deleted({ title: scope === 'this' && occurrence ? named : entry.title }),
    );
    if (answer.ok) show(NONE);
  };
  const cancel = async (why: string | undefined) => {
    const body = { reason: why, recurrenceId: occurrence?.recurrenceId };
    const answer = await submit('PUT', `${path}/cancel`, body, () =>
      why === undefined
        ? historyTexts.takesPlace({ title: named })
        : historyTexts.cancelled({ title: named }),
    );
    if (answer.ok) setAsking(undefined);
  };
  const copy = async (to: Readonly<{ courses?: readonly string[]; days?: number }> = {}) => {
    const answer = await submit<{ id: string }>('POST', `${path}/copy`, to, () =>
      historyTexts.duplicated({ title: entry.title }),
    );
    if (answer.ok) show({ kind: 'entry', id: answer.value.id });
  };
  const moveDate = async (date: LineDate, to: string) => {
    if (date.field === 'main') return onMove(to);
    const days = Temporal.PlainDate.from(date.day).until(to, { largestUnit: 'days' }).days;
    const answer = await submit('POST', `${path}/dates`, { field: date.field, days }, () =>
      panelTexts.movedDate({ label: date.label, title: entry.title, to: dayWords(to) ?? to }),
    );
    if (!answer.ok) say(Object.values(answer.fields)[0] ?? answer.message);
  };
  const line =
    entry.editable && !entry.repeats && entry.dates.length > 1 ? (
      <DateLine
        key={`${entry.id} ${entry.sequence}`}
        dates={entry.dates}
        dayWords={dayWords}
        onMove={(date, to) => void moveDate(date, to)}
      />
    ) : undefined;
  return (
    <>
      <ReadEntry entry={shown} heading="h2" line={line} />
      {entry.kind === 'note' ? null : (
        <TrustLines key={`${entry.id} ${entry.sequence}`} of="entries" id={entry.id} />
      )}
      {entry.checks && entry.checks.length > 0 ? (
        <section className={styles.checks}>
          <h3>{checkTexts.inPanel}</h3>
          <CheckList lines={entry.checks} within />
        </section>
      ) : null}
      {entry.editable ? (
        <div className={styles.acts}>
          <div className={styles.buttons}>
            {entry.shown || entry.kind === 'note' ? null : (
              <Button
                variant="contained"
                startIcon={<ShowIcon />}
                disabled={busy}
                onClick={() =>
                  void submit('POST', '/api/entries/bulk', { ids: [entry.id], act: 'show' }, () =>
                    panelTexts.nowShown({ title: entry.title, who: entry.who }),
                  )
                }
              >
                {panelTexts.showNow}
              </Button>
            )}
            {scopes.map((scope) => (
              <Button
                key={scope}
                variant={scope === scopes[0] ? 'contained' : 'outlined'}
                startIcon={<EditIcon />}
                onClick={() => show(editing(entry, scope, occurrence))}
              >
                {occurrence ? panelTexts.editScope[scope] : panelTexts.edit}
              </Button>
            ))}
          </div>
          <div className={styles.buttons}>
            {movable ? (
              <Button
                size="small"
                variant="outlined"
                startIcon={<MoveIcon />}
                onClick={() => setAsking('move')}
              >
                {panelTexts.moveToDay}
              </Button>
            ) : null}
            {scopes.map((scope) => (
              <Button
                key={scope}
                size="small"
                variant="outlined"
                startIcon={<DeleteIcon />}
                disabled={busy}
                onClick={() => remove(scope)}
              >
                {occurrence ? panelTexts.deleteScope[scope] : panelTexts.remove}
              </Button>
            ))}
            {entry.kind === 'note' ? null : shown.cancelled === undefined ? (
              <Button
                size="small"
                variant="outlined"
                startIcon={<CallOffIcon />}
                onClick={() => setAsking('cancel')}
              >
                {panelTexts.cancelIt}
              </Button>
            ) : (
              <Button
                size="small"
                variant="outlined"
                startIcon={<TakesPlaceIcon />}
                disabled={busy}
                onClick={() => cancel(undefined)}
              >
                {panelTexts.takesPlace}
              </Button>
            )}
            {entry.kind === 'note' ? null : (
              <Button
                size="small"
                variant="outlined"
                startIcon={<WriteIcon />}
                href={`/write?entry=${entry.id}`}
              >
                {messageTexts.link}
              </Button>
            )}
            {entry.kind === 'note' ? null : (
              // By its address, not by the router: the page alone has the microphone.
              <Button
                size="small"
                variant="outlined"
                startIcon={<SpeakIcon />}
                href={`/e/${entry.id}/record`}
              >
                {spokenTexts.open}
              </Button>
            )}
            <Button
              size="small"
              variant="outlined"
              startIcon={<CopyIcon />}
              disabled={busy}
              onClick={() => copy()}
            >
              {panelTexts.duplicate}
            </Button>
            {entry.repeats ? null : (
              <Button
                size="small"
                variant="outlined"
                startIcon={<NextWeekIcon />}
                disabled={busy}
                onClick={() => copy({ days: 7 })}
              >
                {panelTexts.nextWeek}
              </Button>
            )}
            {courses.length > 1 && entry.kind !== 'note' ? (
              <Button
                size="small"
                variant="outlined"
                startIcon={<OtherCourseIcon />}
                onClick={() => setAsking('copy')}
              >
                {panelTexts.copyTo}
              </Button>
            ) : null}
          </div>
          {asking === 'move' && movable ? (
            <MoveToDay from={movable.day} dayWords={dayWords} onMove={onMove} />
          ) : null}
          {asking === 'cancel' ? (
            <div className="notice">
              {occurrence ? <p>{panelTexts.cancelsOne({ day })}</p> : null}
              <Field label={panelTexts.cancelReason} value={reason} onChange={setReason} autoFocus />
              <div className={styles.buttons}>
                <Button size="small" variant="contained" disabled={busy} onClick={() => cancel(reason)}>
                  {panelTexts.cancelNow({ who: entry.who })}
                </Button>
              </div>
            </div>
          ) : null}
          {asking === 'copy' ? (
            <div className={styles.buttons} role="group" aria-label={panelTexts.copyTo}>
              {courses.map((course) => (
                <Button
                  key={course.id}
                  size="small"
                  variant="outlined"
                  disabled={busy}
                  onClick={() => copy({ courses: [course.id] })}
                >
                  {course.tag} {course.title}
                </Button>
              ))}
            </div>
          ) : null}
          {message ? (
            <p role="alert" className={styles.error}>
              {message}
            </p>
          ) : null}
          <EntryHistory key={`${entry.id} ${entry.sequence}`} entry={entry.id} />
        </div>
      ) : entry.callOff ? (
        <CallOff what="entry" id={entry.id} title={entry.title} who={entry.who} />
      ) : null}
    </>
  );
}
