import { materialLink } from '../entries/draftLinks';
import type { EntryDraft } from '../entries/entryDraft';
import { emptyDraft } from '../entries/entryDraft';
import type { PlanItem } from './planItem';

export type Scope = 'this' | 'following' | 'all';
/** Which of a series the panel is about. */
export type Occurrence = Pick<PlanItem, 'start' | 'end'> & Readonly<{ recurrenceId: string }>;

/** What slides: a plan to later classes, or what comes after a class forward into it. */
export type Sliding = Readonly<{ course: string; title: string }> &
  (Readonly<{ act: 'later'; plan: string }> | Readonly<{ act: 'forward'; into: string }>);

/** What the panel beside the plan is about. An unsaved draft survives a reload of the page. */
export type PanelState =
  | Readonly<{ kind: 'none' }>
  | Readonly<{ kind: 'entry'; id: string; occurrence?: Occurrence }>
  | Readonly<{ kind: 'class'; meeting: string }>
  | Readonly<{ kind: 'fill' }>
  | Readonly<{ kind: 'place'; unit: Readonly<{ id: string; title: string }>; course: string; from: string }>
  | (Readonly<{ kind: 'slide' }> & Sliding)
  | Readonly<{ kind: 'new'; draft: EntryDraft }>
  | Readonly<{
      kind: 'edit';
      id: string;
      sequence: number;
      draft: EntryDraft;
      scope: Scope;
      recurrenceId?: string;
    }>;

export const NONE: PanelState = { kind: 'none' };

/** The state after a mark was opened; undefined for what has no panel. */
export function opened(item: PlanItem): PanelState | undefined {
  if (item.meeting) return { kind: 'class', meeting: item.meeting };
  if (!item.entry) return undefined;
  const { recurrenceId, start, end } = item;
  return {
    kind: 'entry',
    id: item.entry,
    ...(recurrenceId ? { occurrence: { recurrenceId, start, end } } : {}),
  };
}

/** Starting from a day, that day is filled in; what was typed already moves along to the day that is chosen now. */
export type NewOn = Readonly<{
  day: string;
  typed?: string;
  lastDay?: string;
  starts?: string;
  ends?: string;
}>;

export function addedOn(
  state: PanelState,
  { day, typed = '', lastDay, starts, ends }: NewOn,
  course?: string,
): PanelState {
  const base = state.kind === 'new' ? state.draft : { ...emptyDraft(day, course), title: typed };
  return {
    kind: 'new',
    draft: {
      ...base,
      day,
      ...(lastDay && lastDay !== day ? { lastDay, allDay: true } : {}),
      ...(starts ? { starts, ends: ends ?? '', allDay: false } : {}),
    },
  };
}

/** A material put on a day: an entry that leads to it, under its title. */
export const materialOn = (
  { id, title }: Readonly<{ id: string; title: string }>,
  { day, course }: Readonly<{ day: string; course: string }>,
): PanelState => ({
  kind: 'new',
  draft: {
    ...emptyDraft(day, course),
    title: title.slice(0, 200),
    allDay: true,
    links: [materialLink({ id, title })],
  },
});
