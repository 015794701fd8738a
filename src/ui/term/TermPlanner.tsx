'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { panelTexts, termTexts } from '@/core/texts/term';
import type { FieldErrors } from '../controls/callApi';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import { useKept } from '../controls/useKept';
import { EntryForm } from '../entries/EntryForm';
import { EntryPanel } from '../entries/EntryPanel';
import type { EntryDraft } from '../entries/entryDraft';
import { emptyDraft } from '../entries/entryDraft';
import type { PanelCourse, PanelEntry } from '../entries/panelData';
import { TermGrid } from './TermGrid';
import styles from './TermPlanner.module.css';
import type { TermGridView } from './termView';

type Props = Readonly<{
  view: TermGridView;
  entries: readonly PanelEntry[];
  /** The courses in which the viewer plans; empty for students, who read only. */
  courses: readonly PanelCourse[];
  today: string;
}>;

/** What the panel beside the plan is about. An unsaved draft survives a reload of the page. */
type Panel =
  | Readonly<{ kind: 'none' }>
  | Readonly<{ kind: 'entry'; id: string }>
  | Readonly<{ kind: 'new'; draft: EntryDraft }>
  | Readonly<{ kind: 'edit'; id: string; sequence: number; draft: EntryDraft }>;

const NONE: Panel = { kind: 'none' };

export function TermPlanner({ view, entries, courses, today }: Props) {
  const router = useRouter();
  const say = useMessages();
  const [panel, keep] = useKept<Panel>('panel', NONE);
  const [errors, setErrors] = useState<FieldErrors>({});
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  const entryById = useMemo(() => new Map(entries.map((entry) => [entry.id, entry])), [entries]);
  const dayWords = useMemo(
    () => new Map(view.weeks.flatMap((week) => week.days.map((day) => [day.date, day.long]))),
    [view],
  );
  const canAdd = courses.length > 0;

  const show = (next: Panel) => {
    setErrors({});
    setMessage(undefined);
    keep(next.kind === 'none' ? undefined : next);
  };
  const addOn = (day: string, typed = '') => {
    // What was typed already moves along to the day that is chosen now.
    if (panel.kind === 'new') show({ kind: 'new', draft: { ...panel.draft, day } });
    else show({ kind: 'new', draft: { ...emptyDraft(day, courses[0]?.id), title: typed } });
  };
  const save = async (input: unknown, title: string) => {
    setBusy(true);
    const answer =
      panel.kind === 'edit'
        ? await callApi<{ id: string }>('PUT', `/api/entries/${panel.id}`, {
            sequence: panel.sequence,
            entry: input,
          })
        : await callApi<{ id: string }>('POST', '/api/entries', input);
    setBusy(false);
    if (!answer.ok) {
      setErrors(
        Object.fromEntries(Object.entries(answer.fields).map(([k, v]) => [k.replace(/^entry\./, ''), v])),
      );
      return setMessage(answer.message);
    }
    say(panel.kind === 'edit' ? historyTexts.changed(title) : historyTexts.planned(title), answer.history);
    show({ kind: 'entry', id: answer.value.id });
    router.refresh();
  };
  const remove = async (entry: PanelEntry) => {
    const answer = await callApi('DELETE', `/api/entries/${entry.id}`);
    say(
      answer.ok ? historyTexts.deleted(entry.title) : answer.message,
      answer.ok ? answer.history : undefined,
    );
    show(NONE);
    router.refresh();
  };

  const entry = panel.kind === 'entry' ? entryById.get(panel.id) : undefined;
  const editing = panel.kind === 'new' || panel.kind === 'edit';
  const draft = editing ? panel.draft : undefined;
  const open = editing || entry !== undefined;

  return (
    <div className={styles.planner}>
      <section className={styles.plan} aria-labelledby="term-title">
        <div className={styles.heading}>
          <h1 id="term-title">{view.title}</h1>
          <p className="soft">
            {view.span}
            {view.now ? (
              <>
                {' · '}
                <a href="#now">{view.now}</a>
              </>
            ) : null}
          </p>
          {canAdd ? (
            <Button className={styles.add} size="small" variant="outlined" onClick={() => addOn(today)}>
              {termTexts.add}
            </Button>
          ) : null}
        </div>
        <TermGrid
          view={view}
          selected={panel.kind === 'entry' || panel.kind === 'edit' ? panel.id : undefined}
          day={draft?.day}
          canAdd={canAdd}
          onOpen={(item) => {
            if (item.entry !== undefined) show({ kind: 'entry', id: item.entry });
            else if (item.href) router.push(item.href);
            else router.push(canAdd ? '/office-hours' : '/sign-up');
          }}
          onDay={addOn}
        />
      </section>
      <aside className={styles.panel} data-open={open}>
        {open ? (
          <Button
            className={styles.close}
            size="small"
            aria-label={panelTexts.closePanel}
            onClick={() => show(NONE)}
          >
            ✕
          </Button>
        ) : null}
        {draft ? (
          <>
            <h2 className={styles.panelTitle}>{panel.kind === 'new' ? termTexts.add : panelTexts.edit}</h2>
            <EntryForm
              key={panel.kind === 'edit' ? panel.id : 'new'}
              draft={draft}
              onChange={(next) => keep({ ...(panel as Extract<Panel, { draft: EntryDraft }>), draft: next })}
              courses={courses}
              isNew={panel.kind === 'new'}
              dayWords={(date) => dayWords.get(date)}
              serverErrors={errors}
              message={message}
              busy={busy}
              onSave={(reading) => save(reading.input, reading.input.title)}
              onCancel={() => show(panel.kind === 'edit' ? { kind: 'entry', id: panel.id } : NONE)}
            />
          </>
        ) : entry ? (
          <EntryPanel
            entry={entry}
            onEdit={() => show({ kind: 'edit', id: entry.id, sequence: entry.sequence, draft: entry.draft })}
            onDelete={() => remove(entry)}
          />
        ) : canAdd ? (
          <div className={styles.start}>
            <h2>{termTexts.startTitle}</h2>
            <p className="soft">{termTexts.startLead}</p>
          </div>
        ) : null}
      </aside>
    </div>
  );
}
