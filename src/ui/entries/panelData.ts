import type { Hanging } from '@/core/entries/moveDate';
import type { CheckLine } from '../checks/checkLine';
import type { EntryDraft } from './entryDraft';

type Named = Readonly<{ id: string; name: string; students: number }>;

/** A course as the panel offers it. */
export type PanelCourse = Readonly<{
  id: string;
  tag: string;
  title: string;
  color: string;
  students: number;
  sections: readonly Named[];
  groups: readonly Named[];
  roster: readonly Readonly<{ id: string; name: string }>[];
  meetingLink: string;
  /** The last day of its term: how long a series may go on. */
  termEnds: string;
}>;

/** A link with how it answered when it was last tested, for its staff. */
export type PanelLink = Readonly<{ url: string; label: string; staffOnly: boolean; state?: string }>;

export type LineDate = Readonly<{ label: string; value: string; day: string; field: Hanging | 'main' }>;

/** An entry as the panel shows it, formatted, with the draft that editing starts from. */
export type PanelOccurrence = Readonly<{
  when: string;
  title?: string;
  place?: string;
  description?: string;
  /** Called off by itself, in words. */
  cancelled?: string;
}>;

export type PanelEntry = Readonly<{
  id: string;
  sequence: number;
  kind: EntryDraft['kind'];
  kindLabel: string;
  tags: readonly Readonly<{ tag: string; color: string; title: string }>[];
  title: string;
  when: string;
  repeats: string;
  cancelled?: string;
  /** The line of dates, in the order of time; `field` is what it is called where it is moved by itself, `main` the entry's own. */
  dates: readonly LineDate[];
  /** How it is handed in, points, effort: each with its name. */
  facts: readonly Readonly<{ label: string; value: string }>[];
  /** Sanitised HTML. */
  description: string;
  meetingLink: string;
  meetingName: string;
  links: readonly PanelLink[];
  who: string;
  release: string;
  shown: boolean;
  /** `full`: no seat is left for whoever has none; `wait`: of whoever waits for one, in words. */
  coming?: Readonly<{ words: string; own?: string; names: readonly string[]; full: boolean; wait: string }>;
  editable: boolean;
  /** Whether the viewer may call it off without editing it. */
  callOff?: boolean;
  draft: EntryDraft;
  /** Of a series, by the recurrence id: when each occurrence of the term is, and what it says otherwise; the text is sanitised. */
  singles?: Readonly<Record<string, PanelOccurrence>>;
  /** What looks questionable in it; for its staff alone. */
  checks?: readonly CheckLine[];
}>;
