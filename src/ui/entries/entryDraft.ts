import { Temporal } from 'temporal-polyfill';
import type { EntryInputJson } from '@/core/entries/entryInput';
import { safeUri } from '@/core/icalendar/text';
import { panelTexts } from '@/core/texts/term';
import { readTime } from '@/core/time/typedTime';
import { timeLabel } from '@/core/time/dateLabels';

/** The panel's fields as they are typed; dates are ISO days, times are as people type them. */
export type EntryDraft = Readonly<{
  kind: 'event' | 'assignment';
  title: string;
  day: string;
  lastDay: string;
  allDay: boolean;
  starts: string;
  ends: string;
  place: string;
  setOn: string;
  dueTime: string;
  handIn: string;
  description: string;
  links: readonly Readonly<{ url: string; label: string; staffOnly: boolean }>[];
  /** Ids of the courses it is for, each with its sections; an empty list is everyone. */
  courses: Readonly<Record<string, readonly string[]>>;
  visibility: 'visible' | 'draft' | 'from';
  fromDay: string;
  fromTime: string;
}>;

export const emptyDraft = (day: string, course: string | undefined): EntryDraft => ({
  kind: 'event',
  title: '',
  day,
  lastDay: '',
  allDay: false,
  starts: '',
  ends: '',
  place: '',
  setOn: '',
  dueTime: '',
  handIn: '',
  description: '',
  links: [],
  courses: course ? { [course]: [] } : {},
  visibility: 'visible',
  fromDay: '',
  fromTime: '8:00',
});

export type DraftErrors = Readonly<Partial<Record<string, string>>>;
/** A time that means two things, with both readings as `14:00`. */
export type Question = Readonly<{
  field: 'starts' | 'ends' | 'dueTime' | 'fromTime';
  readings: readonly string[];
}>;
export type DraftReading =
  | Readonly<{ ok: true; input: EntryInputJson }>
  | Readonly<{ ok: false; errors: DraftErrors; questions: readonly Question[] }>;

const { errors: say } = panelTexts;

/** What was typed as what is sent, or what is wrong with it, field by field, and what must be asked. */
export function readDraft(draft: EntryDraft): DraftReading {
  const errors: Record<string, string> = {};
  const questions: Question[] = [];

  const date = (field: string, text: string): Temporal.PlainDate | undefined => {
    try {
      return Temporal.PlainDate.from(text);
    } catch {
      errors[field] = say.day;
      return undefined;
    }
  };
  const time = (
    field: Question['field'],
    text: string,
    after?: Temporal.PlainTime,
  ): Temporal.PlainTime | undefined => {
    const read = readTime(text);
    if (read.kind === 'time') return read.time;
    if (read.kind === 'unreadable') {
      errors[field] = say.time;
      return undefined;
    }
    // The start settles the end where only one reading lies after it.
    const fitting = read.readings.filter((t) => !after || Temporal.PlainTime.compare(t, after) > 0);
    if (after && fitting.length === 1) return fitting[0];
    questions.push({ field, readings: read.readings.map(timeLabel) });
    errors[field] = say.which;
    return undefined;
  };
  const wall = (day: Temporal.PlainDate, at: Temporal.PlainTime) =>
    day.toPlainDateTime(at).toString({ smallestUnit: 'minute' });

  if (draft.title.trim() === '') errors.title = say.title;
  if (Object.keys(draft.courses).length === 0) errors.courses = say.course;
  draft.links.forEach(({ url }, i) => {
    if (url.trim() !== '' && (!safeUri(url.trim()) || !URL.canParse(url.trim())))
      errors[`links.${i}.url`] = say.url;
  });
  const visibility = ((): EntryInputJson['visibility'] => {
    if (draft.visibility !== 'from') return { kind: draft.visibility };
    const day = date('fromDay', draft.fromDay);
    const at = time('fromTime', draft.fromTime);
    return day && at ? { kind: 'from', from: wall(day, at) } : undefined;
  })();

  const common = {
    title: draft.title,
    description: draft.description,
    audience: Object.entries(draft.courses).map(([course, sections]) =>
      sections.length > 0 ? { course, sections: [...sections] } : { course },
    ),
    links: draft.links
      .filter(({ url }) => url.trim() !== '')
      .map((link) => ({ ...link, url: link.url.trim() })),
    visibility,
  };
  const dates = draft.kind === 'assignment' ? assignment() : event();
  if (Object.keys(errors).length > 0 || !dates) return { ok: false, errors, questions };
  return { ok: true, input: { ...common, ...dates } as EntryInputJson };

  function assignment() {
    const due = date('day', draft.day);
    const setOn = draft.setOn === '' ? undefined : date('setOn', draft.setOn);
    const at = draft.dueTime.trim() === '' ? undefined : time('dueTime', draft.dueTime);
    if (due && setOn && Temporal.PlainDate.compare(setOn, due) > 0) errors.setOn = say.setAfterDue;
    if (!due) return undefined;
    return {
      kind: 'assignment' as const,
      due: at ? wall(due, at) : due.toString(),
      setOn: setOn?.toString(),
      handIn: draft.handIn,
    };
  }

  function event() {
    const first = date('day', draft.day);
    const kind = 'event' as const;
    if (draft.allDay) {
      const last = draft.lastDay === '' ? first : date('lastDay', draft.lastDay);
      if (!first || !last) return undefined;
      if (Temporal.PlainDate.compare(last, first) < 0) errors.lastDay = say.lastBefore;
      return { kind, start: first.toString(), end: last.add({ days: 1 }).toString(), place: draft.place };
    }
    const starts = time('starts', draft.starts);
    const ends = draft.ends.trim() === '' ? undefined : time('ends', draft.ends, starts);
    if (!first || !starts) return undefined;
    if (ends && Temporal.PlainTime.compare(ends, starts) <= 0) errors.ends = say.endBefore;
    return { kind, start: wall(first, starts), end: ends && wall(first, ends), place: draft.place };
  }
}
