'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { panelTexts, termTexts } from '@/core/texts/term';
import type { FieldErrors } from '../controls/callApi';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import { EntryForm } from '../entries/EntryForm';
import type { EntryDraft } from '../entries/entryDraft';
import type { PanelEntry } from '../entries/panelData';
import { ReadEntry } from '../entries/ReadEntry';
import { readDraft } from '../entries/readDraft';
import { classWords } from './classWords';
import { lostAudience } from './lostAudience';
import type { DeskData } from './planItem';
import styles from './PlanDesk.module.css';
import type { PanelState } from './panelState';
import { editing } from './editing';
import { NONE } from './panelState';

type Editing = Extract<PanelState, { draft: EntryDraft }>;
type Saved = Readonly<{ id: string; lost?: readonly string[] }>;

const ALL_KINDS: readonly EntryDraft['kind'][] = ['event', 'assignment', 'announcement', 'note'];

/** Adding or changing an entry. Where somebody else saved meanwhile, both versions are shown and one is chosen. */
export function EditPanel({
  state,
  entry,
  data,
  dayWords,
  show,
}: {
  state: Editing;
  /** As it stands now; absent while it is new. */
  entry?: PanelEntry;
  data: DeskData;
  dayWords: (date: string) => string | undefined;
  show: (next: PanelState) => void;
}) {
  const router = useRouter();
  const say = useMessages();
  const [errors, setErrors] = useState<FieldErrors>({});
  const [message, setMessage] = useState<string>();
  const [conflict, setConflict] = useState(false);
  const [busy, setBusy] = useState(false);
  const { draft } = state;
  const single = state.kind === 'edit' && state.scope === 'this';
  const scoped = state.kind === 'edit' && state.scope !== 'all';
  const on = state.kind === 'edit' && state.recurrenceId ? state.recurrenceId.slice(0, 10) : '';
  const day = dayWords(on) ?? on;

  const save = async (input: { title: string }, sequence = state.kind === 'edit' ? state.sequence : 0) => {
    setBusy(true);
    const answer =
      state.kind === 'edit'
        ? await callApi<Saved>('PUT', `/api/entries/${state.id}`, {
            sequence,
            scope: state.scope,
            recurrenceId: state.recurrenceId,
            entry: input,
          })
        : await callApi<Saved>('POST', '/api/entries', input);
    setBusy(false);
    if (!answer.ok) {
      setErrors(
        Object.fromEntries(Object.entries(answer.fields).map(([k, v]) => [k.replace(/^entry\./, ''), v])),
      );
      setConflict(answer.status === 412);
      if (answer.status === 412) router.refresh();
      // What no field shows is said below them.
      return setMessage(answer.fields.recurrenceId ?? answer.fields.scope ?? answer.message);
    }
    const lost = answer.value.lost?.length ?? 0;
    const text =
      state.kind === 'new'
        ? historyTexts.planned({ title: input.title })
        : historyTexts.changed({
            title: single ? historyTexts.oneOf({ title: input.title, day }) : input.title,
          });
    say(lost > 0 ? `${text}. ${panelTexts.lost({ n: lost })}` : text, answer.history);
    show({ kind: 'entry', id: answer.value.id });
    router.refresh();
  };
  /** Over what somebody else saved meanwhile, whose version is the one given. */
  const saveMine = (sequence: number) => {
    setConflict(false);
    setMessage(undefined);
    show({ ...state, sequence } as Editing);
    const termEnds = data.courses.find((course) => draft.courses[course.id])?.termEnds;
    const reading = readDraft(draft, { termEnds });
    if (reading.ok) void save(reading.input, sequence);
  };
  const kinds =
    state.kind === 'new'
      ? data.notesOnly
        ? (['note'] as const)
        : ALL_KINDS
      : entry && (entry.kind === 'event' || entry.kind === 'assignment') && !entry.repeats
        ? (['event', 'assignment'] as const)
        : [draft.kind];
  return (
    <>
      <h2 className={styles.panelTitle}>{state.kind === 'new' ? termTexts.add : panelTexts.edit}</h2>
      {conflict && entry && state.kind === 'edit' ? (
        <div className="notice">
          <h3>{panelTexts.theirs}</h3>
          <ReadEntry entry={entry} heading="h3" />
          <div className={styles.choices}>
            <Button size="small" variant="contained" disabled={busy} onClick={() => saveMine(entry.sequence)}>
              {panelTexts.keepMine}
            </Button>
            <Button
              size="small"
              variant="outlined"
              onClick={() => {
                setConflict(false);
                setMessage(undefined);
                show(editing(entry, 'all'));
              }}
            >
              {panelTexts.takeTheirs}
            </Button>
          </div>
        </div>
      ) : null}
      <EntryForm
        key={state.kind === 'edit' ? `${state.id} ${state.sequence} ${state.scope}` : 'new'}
        id={state.kind === 'edit' ? state.id : undefined}
        draft={draft}
        onChange={(next) => show({ ...state, draft: next })}
        courses={data.courses}
        kinds={kinds}
        single={single}
        scopeWords={
          single ? panelTexts.thisOnly({ day }) : scoped ? panelTexts.followingOnly({ day }) : undefined
        }
        dayWords={dayWords}
        classWords={(courses, number, edge) => classWords(data, { courses, number, edge })}
        serverErrors={errors}
        message={message}
        busy={busy}
        loses={entry && lostAudience(entry.draft, draft, data.courses)}
        onSave={(reading) => void save(reading.input)}
        onCancel={() => show(state.kind === 'edit' ? { kind: 'entry', id: state.id } : NONE)}
      />
    </>
  );
}
