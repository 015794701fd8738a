import type { Outlet, OutletKind, PublishedOutlet, ReminderKind } from '@/core/outlets/outlet';
import { DEFAULT_LOOK, OUTLET_KINDS, PUBLISHED_DEFAULTS, REMINDER_KINDS } from '@/core/outlets/outlet';
import type { OutletInputJson } from '@/core/outlets/outletInput';
import { listed } from '@/core/texts/entries';

/** A course as it can be published. */
export type PublishCourse = Readonly<{
  id: string;
  tag: string;
  title: string;
  sections: readonly Readonly<{ id: string; name: string }>[];
  /** How many uploaded files it leads to, which of them are recordings, and how many pages. */
  files: number;
  recordings: readonly Readonly<{ id: string; name: string }>[];
  pages: number;
  /** How many things of it not everybody can read, see or hear. */
  unclear: number;
}>;

/** What is chosen on the form, as its fields have it. */
export type OutletDraft = Readonly<{
  kind: 'feed' | 'embed';
  audience: 'public' | 'roster';
  typedName?: string;
  courses: readonly string[];
  sections: readonly string[];
  calendars: readonly string[];
  kinds: readonly OutletKind[];
  times: PublishedOutlet['times'];
  meetingLinks: boolean;
  files: boolean;
  recordings: readonly string[];
  places: boolean;
  tags: boolean;
  detail: PublishedOutlet['detail'];
  /** Days; `all` for the whole term. */
  back: string;
  /** Minutes before, by kind; empty for none. */
  reminders: Readonly<Record<ReminderKind, string>>;
  look: Omit<PublishedOutlet['look'], 'height' | 'weekStart' | 'origins' | 'entry' | 'date'> &
    Readonly<{ height: string; weekStart: string; origins: string; entry: string; date: string }>;
}>;

const NO_REMINDERS = { due: '', event: '', booking: '' };

/** Classes of every section, until some are unticked. */
export const newDraft = (
  kind: 'feed' | 'embed',
  courses: readonly PublishCourse[],
  { places = true } = {},
): OutletDraft => ({
  kind,
  audience: 'public',
  courses: courses.map(({ id }) => id),
  sections: sectionsIn(courses),
  calendars: [],
  kinds: OUTLET_KINDS,
  times: PUBLISHED_DEFAULTS.times,
  meetingLinks: false,
  files: false,
  recordings: [],
  places,
  tags: true,
  detail: 'full',
  back: 'all',
  reminders: NO_REMINDERS,
  look: {
    ...DEFAULT_LOOK,
    height: String(DEFAULT_LOOK.height),
    weekStart: '',
    origins: '',
    entry: '',
    date: '',
  },
});

const sectionsIn = (courses: readonly PublishCourse[]) =>
  courses.flatMap((course) => course.sections.map(({ id }) => id));

/** The same with other courses ticked: a course that is added brings all its sections. */
export function withCourses(
  draft: OutletDraft,
  ticked: readonly string[],
  all: readonly PublishCourse[],
): OutletDraft {
  const added = all.filter(({ id }) => ticked.includes(id) && !draft.courses.includes(id));
  return { ...draft, courses: ticked, sections: [...new Set([...draft.sections, ...sectionsIn(added)])] };
}

export const draftOfOutlet = (outlet: PublishedOutlet): OutletDraft => ({
  ...newDraft(outlet.kind, []),
  courses: outlet.courses,
  audience: outlet.audience,
  typedName: outlet.name,
  sections: outlet.sections,
  calendars: outlet.calendars,
  kinds: outlet.kinds,
  times: outlet.times,
  meetingLinks: outlet.meetingLinks,
  files: outlet.files,
  recordings: outlet.recordings,
  places: outlet.places,
  tags: outlet.tags,
  detail: outlet.detail,
  back: outlet.daysBack === undefined ? 'all' : String(outlet.daysBack),
  reminders: remindersOf(outlet),
  look: {
    ...outlet.look,
    height: String(outlet.look.height),
    weekStart: String(outlet.look.weekStart ?? ''),
    origins: outlet.look.origins.join('\n'),
    entry: outlet.look.entry ?? '',
    date: outlet.look.date ?? '',
  },
});

/** One reminder for each kind is what the form offers. */
export const remindersOf = ({ reminders }: Pick<Outlet, 'reminders'>): Record<ReminderKind, string> => ({
  ...NO_REMINDERS,
  ...Object.fromEntries(reminders.map(({ kind, minutes }) => [kind, String(minutes)])),
});

export const remindersFrom = (reminders: Readonly<Record<ReminderKind, string>>) =>
  REMINDER_KINDS.flatMap((kind) =>
    reminders[kind] === '' ? [] : [{ kind, minutes: Number(reminders[kind]) }],
  );

/** Its name follows what is ticked until one is typed. */
export const nameOf = ({ typedName, courses }: OutletDraft, all: readonly PublishCourse[]): string =>
  typedName ?? listed(all.filter(({ id }) => courses.includes(id)).map(({ title }) => title));

/** What is sent: sections and calendars of courses that are not ticked any more stay behind. */
export function inputOf(
  draft: OutletDraft,
  all: readonly PublishCourse[],
  calendars: readonly Readonly<{ id: string; courses: readonly string[] }>[],
): OutletInputJson {
  const chosen = all.filter(({ id }) => draft.courses.includes(id));
  const sections = new Set(chosen.flatMap((course) => course.sections.map(({ id }) => id)));
  const beside = new Set(
    calendars.filter((c) => c.courses.some((id) => draft.courses.includes(id))).map(({ id }) => id),
  );
  const { look } = draft;
  return {
    kind: draft.kind,
    audience: draft.audience,
    name: nameOf(draft, all),
    courses: [...draft.courses],
    sections: draft.sections.filter((id) => sections.has(id)),
    calendars: draft.calendars.filter((id) => beside.has(id)),
    kinds: [...draft.kinds],
    times: draft.times,
    meetingLinks: draft.meetingLinks,
    files: draft.files,
    recordings:
      draft.files && draft.audience === 'public'
        ? draft.recordings.filter((id) => chosen.some((c) => c.recordings.some((r) => r.id === id)))
        : [],
    places: draft.places,
    tags: draft.tags,
    detail: draft.detail,
    daysBack: draft.back === 'all' ? undefined : Number(draft.back),
    reminders: remindersFrom(draft.reminders),
    look: {
      ...look,
      height: Number(look.height),
      weekStart: look.weekStart === '' ? undefined : Number(look.weekStart),
      origins: look.origins.split('\n').map((line) => line.trim()).filter(Boolean), // prettier-ignore
      entry: look.entry || undefined,
      date: look.date || undefined,
    },
  };
}
