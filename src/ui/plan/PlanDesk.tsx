'use client';
import CloseIcon from '@mui/icons-material/CloseOutlined';
import IconButton from '@mui/material/IconButton';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { useEffect } from 'react';
import { classTexts } from '@/core/texts/classes';
import { materialTexts } from '@/core/texts/materials';
import { slideTexts } from '@/core/texts/slide';
import { panelTexts, termTexts } from '@/core/texts/term';
import { useKept } from '../controls/useKept';
import type { PanelEntry } from '../entries/panelData';
import type { DeskData } from './planItem';
import styles from './PlanDesk.module.css';
import {
  ClassPanel,
  EditPanel,
  EntryPanel,
  FillPanel,
  PlaceUnit,
  Shelf,
  SlidePanel,
  fetchPanels,
} from './panels';
import type { NewOn, PanelState } from './panelState';
import { NONE, addedOn, materialOn, opened } from './panelState';
import type { PlanItem } from './planItem';
import type { PendingMove } from './useMoves';
import { useMoves } from './useMoves';
import { usePanelData } from './usePanelData';
import { useShelfActs } from './useShelfActs';

/** What a view of the plan can do: the panel beside it is shared by all of them. */
export type Desk = Readonly<{
  selected?: string;
  /** The day of what is being added. */
  day?: string;
  canAdd: boolean;
  open: (item: PlanItem) => void;
  add: (on: NewOn) => void;
  fill: () => void;
  /** Puts the outline of a course beside the plan, or away; absent where nothing is planned. */
  shelve?: () => void;
  shelved: boolean;
  /** Moves marks so that the first of them stands on that day. */
  move: (items: readonly PlanItem[], to: string) => void;
  /** Marks on their way, until they are drawn where they now stand. */
  pending?: PendingMove;
}>;

/** Does it once the browser has nothing else to do; gives back how to give that up. */
function whenIdle(act: () => void): () => void {
  // Not every browser says when it is idle.
  if (!('requestIdleCallback' in window)) {
    const timer = setTimeout(act, 1000);
    return () => clearTimeout(timer);
  }
  const handle = requestIdleCallback(act);
  return () => cancelIdleCallback(handle);
}

/** A view of the plan with the panel at its right: read first, edit in place. */
export function PlanDesk({ data, children }: { data: DeskData; children: (desk: Desk) => ReactNode }) {
  const { courses, days, notesOnly } = data;
  const router = useRouter();
  const [kept, keep] = useKept<PanelState>('panel', NONE);
  const [shelf, keepShelf] = useKept<string>('shelf', '');
  const { entry, cls, message, gone } = usePanelData(kept, data);
  const panel = gone ? NONE : kept;
  const { move, pending } = useMoves(data);

  const onShelf = panel.kind === 'none' && courses.some(({ id }) => id === shelf);
  const show = (next: PanelState) => keep(next.kind === 'none' ? undefined : next);
  const toggleShelf = (first: string) => {
    if (onShelf) return keepShelf(undefined);
    show(NONE);
    keepShelf(shelf || first);
  };
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
      const next = addedOn(panel, on, data.addsTo);
      show(notesOnly && next.kind === 'new' ? { ...next, draft: { ...next.draft, kind: 'note' } } : next);
    },
    fill: () => show({ kind: 'fill' }),
    shelved: onShelf,
    shelve: courses[0] && (() => toggleShelf(data.addsTo ?? courses[0]!.id)),
    move,
    pending,
  };
  const moveEntryTo = (moved: PanelEntry, to: string) => {
    const date = moved.dates.find(({ field }) => field === 'main')!.day;
    move([{ key: '', title: moved.title, date, entry: moved.id, start: date, movable: true }], to);
  };
  const shelfActs = useShelfActs({ course: shelf, today: data.today, show });
  useEffect(() => whenIdle(fetchPanels), []);
  const editing = panel.kind === 'new' || panel.kind === 'edit';
  const open = panel.kind !== 'none' || onShelf;
  const close = () => show(NONE);

  return (
    <div className={styles.desk} data-open={open}>
      <section className={styles.plan} aria-labelledby="plan-title" onPointerEnter={fetchPanels}>
        {children(desk)}
        {open || !desk.canAdd ? null : (
          <p className={styles.hint}>{notesOnly ? termTexts.startNotes : termTexts.startLead}</p>
        )}
      </section>
      {open ? (
        <aside className={styles.panel} aria-label={panelTexts.panel} tabIndex={-1} data-focus-home>
          <IconButton
            className={styles.close}
            size="small"
            aria-label={panelTexts.closePanel}
            title={panelTexts.closePanel}
            onClick={onShelf ? () => keepShelf(undefined) : close}
          >
            <CloseIcon fontSize="small" />
          </IconButton>
          {editing ? (
            <EditPanel state={panel} entry={entry} data={data} dayWords={(date) => days[date]} show={show} />
          ) : entry ? (
            <EntryPanel
              entry={entry}
              occurrence={panel.kind === 'entry' ? panel.occurrence : undefined}
              courses={courses}
              show={show}
              dayWords={(date) => days[date]}
              onMove={(to) => moveEntryTo(entry, to)}
            />
          ) : cls ? (
            <ClassPanel
              key={`${cls.meeting} ${cls.title}`}
              cls={cls}
              onDone={() => undefined}
              onSlide={() =>
                show({
                  kind: 'slide',
                  course: cls.course,
                  title: cls.title || cls.name,
                  ...(cls.plan ? { act: 'later', plan: cls.plan } : { act: 'forward', into: cls.meeting }),
                })
              }
            />
          ) : panel.kind === 'slide' ? (
            <>
              <h2 className={styles.panelTitle}>
                {panel.act === 'later' ? slideTexts.title({ plan: panel.title }) : slideTexts.forwardTitle}
              </h2>
              <SlidePanel
                sliding={panel}
                course={courses.find(({ id }) => id === panel.course)}
                onDone={close}
              />
            </>
          ) : panel.kind === 'fill' ? (
            <>
              <h2 className={styles.panelTitle}>{classTexts.fillTitle}</h2>
              <FillPanel courses={courses} onDone={close} />
            </>
          ) : panel.kind === 'place' ? (
            <>
              <h2 className={styles.panelTitle}>{materialTexts.placeTitle({ title: panel.unit.title })}</h2>
              <PlaceUnit
                unit={panel.unit}
                from={panel.from}
                rest={false}
                onDone={close}
                onEntry={() => show(materialOn(panel.unit, { day: panel.from, course: panel.course }))}
              />
            </>
          ) : onShelf ? (
            <Shelf
              courses={courses}
              course={shelf}
              version={data.version}
              onCourse={keepShelf}
              onDrop={shelfActs.drop}
              onPlan={shelfActs.plan}
            />
          ) : (
            <p className="soft" role="status">
              {message ?? panelTexts.opening}
            </p>
          )}
        </aside>
      ) : null}
    </div>
  );
}
