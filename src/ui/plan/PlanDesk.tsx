'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { useMemo } from 'react';
import { classTexts } from '@/core/texts/classes';
import { panelTexts, termTexts } from '@/core/texts/term';
import { useKept } from '../controls/useKept';
import { ClassPanel } from '../entries/ClassPanel';

import { FillPanel } from '../entries/FillPanel';
import { EditPanel } from './EditPanel';
import type { DeskData } from './planItem';
import { EntryPanel } from './EntryPanel';
import styles from './PlanDesk.module.css';
import type { NewOn, PanelState } from './panelState';
import { NONE, addedOn, opened } from './panelState';
import type { PlanItem } from './planItem';
import { useMoves } from './useMoves';

/** What a view of the plan can do: the panel beside it is shared by all of them. */
export type Desk = Readonly<{
  selected?: string;
  /** The day of what is being added. */
  day?: string;
  canAdd: boolean;
  open: (item: PlanItem) => void;
  add: (on: NewOn) => void;
  fill: () => void;
  /** Moves marks so that the first of them stands on that day. */
  move: (items: readonly PlanItem[], to: string) => void;
}>;

/** A view of the plan with the panel at its right: read first, edit in place. */
export function PlanDesk({ data, children }: { data: DeskData; children: (desk: Desk) => ReactNode }) {
  const { entries, classes, courses, days, notesOnly } = data;
  const router = useRouter();
  const [panel, keep] = useKept<PanelState>('panel', NONE);
  const entryById = useMemo(() => new Map(entries.map((entry) => [entry.id, entry])), [entries]);
  const classById = useMemo(() => new Map(classes.map((c) => [c.meeting, c])), [classes]);
  const move = useMoves(entryById);

  const show = (next: PanelState) => keep(next.kind === 'none' ? undefined : next);
  const desk: Desk = {
    selected:
      panel.kind === 'entry' || panel.kind === 'edit'
        ? panel.id
        : panel.kind === 'class'
          ? panel.meeting
          : undefined,
    day: panel.kind === 'new' ? panel.draft.day : undefined,
    canAdd: courses.length > 0 || notesOnly,
    open: (item) => {
      const next = opened(item);
      if (next) show(next);
      else if (item.href) router.push(item.href);
    },
    add: (on) => {
      const next = addedOn(panel, on, courses[0]?.id);
      show(notesOnly && next.kind === 'new' ? { ...next, draft: { ...next.draft, kind: 'note' } } : next);
    },
    fill: () => show({ kind: 'fill' }),
    move: (items, to) => move(items, to, classes),
  };
  const entry = panel.kind === 'entry' ? entryById.get(panel.id) : undefined;
  const cls = panel.kind === 'class' ? classById.get(panel.meeting) : undefined;
  const editing = panel.kind === 'new' || panel.kind === 'edit';
  const open = editing || panel.kind === 'fill' || entry !== undefined || cls !== undefined;
  const close = () => show(NONE);

  return (
    <div className={styles.desk}>
      <section className={styles.plan} aria-labelledby="plan-title">
        {children(desk)}
      </section>
      <aside className={styles.panel} data-open={open} aria-label={panelTexts.panel}>
        {open ? (
          <Button className={styles.close} size="small" aria-label={panelTexts.closePanel} onClick={close}>
            ✕
          </Button>
        ) : null}
        {editing ? (
          <EditPanel
            state={panel}
            entry={panel.kind === 'edit' ? entryById.get(panel.id) : undefined}
            data={data}
            dayWords={(date) => days[date]}
            show={show}
          />
        ) : entry ? (
          <EntryPanel
            entry={entry}
            occurrence={panel.kind === 'entry' ? panel.occurrence : undefined}
            courses={courses}
            show={show}
          />
        ) : cls ? (
          <ClassPanel key={`${cls.meeting} ${cls.title}`} cls={cls} onDone={() => undefined} />
        ) : panel.kind === 'fill' ? (
          <>
            <h2 className={styles.panelTitle}>{classTexts.fillTitle}</h2>
            <FillPanel courses={courses} onDone={close} />
          </>
        ) : desk.canAdd ? (
          <div className={styles.start}>
            <h2>{termTexts.startTitle}</h2>
            <p className="soft">{notesOnly ? termTexts.startNotes : termTexts.startLead}</p>
          </div>
        ) : null}
      </aside>
    </div>
  );
}
